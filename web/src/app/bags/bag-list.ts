import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { api, type BagRow } from '@yard-spool/contract';
import { ApiService } from '../data/api.service';
import { load } from '../data/loaded';
import { isTyping } from '../ui/is-typing';
import { LoadState } from '../ui/load-state';
import { promisedText } from './promised-text';

const STATE_WORDS = { booked: 'booked', 'on-the-bench': 'on the bench', filled: 'filled' } as const;

/** All bags, the one promised soonest first. */
@Component({
  selector: 'ys-bag-list',
  imports: [RouterLink, LoadState],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './bag-list.html',
  host: { class: 'block p-4 px-5', '(document:keydown)': 'onKey($event)' },
})
export class BagList {
  private readonly api = inject(ApiService);
  private readonly router = inject(Router);
  protected readonly bags = load(() => this.api.call(api.listBags));
  protected readonly words = STATE_WORDS;

  protected readonly groups = () => {
    const bags = this.bags.value() ?? [];
    const filled = (bag: BagRow): boolean => bag.jobs.every(({ state }) => state === 'filled');
    return [
      { name: 'To do', bags: bags.filter((bag) => !filled(bag)) },
      { name: 'Filled', bags: bags.filter(filled).reverse() },
    ].filter((group) => group.bags.length > 0);
  };
  protected readonly promised = promisedText;

  protected onKey(event: KeyboardEvent): void {
    if (isTyping(event) || event.key.toLowerCase() !== 'n' || event.ctrlKey || event.metaKey || event.altKey)
      return;
    event.preventDefault();
    void this.router.navigate(['/bags/new']);
  }
}
