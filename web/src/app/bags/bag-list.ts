import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { api, JOB_STATES } from '@yard-spool/contract';
import { ApiService } from '../data/api.service';
import { load } from '../data/loaded';
import { isTyping } from '../ui/is-typing';
import { LoadState } from '../ui/load-state';
import { FormGroup } from '@angular/forms';
import { SelectField } from '../ui/select-field';
import { text } from '../ui/text-control';
import { TextField } from '../ui/text-field';
import { typedValue } from '../ui/typed-value';
import { findBags, groupBags } from './find-bags';
import { isFilled, STATE_WORDS } from './job-state';
import { promisedText } from './promised-text';

/** All bags, the one promised soonest first. */
@Component({
  selector: 'ys-bag-list',
  imports: [RouterLink, LoadState, SelectField, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './bag-list.html',
  host: { class: 'block p-4 px-5', '(document:keydown)': 'onKey($event)' },
})
export class BagList {
  private readonly api = inject(ApiService);
  private readonly router = inject(Router);
  protected readonly bags = load(() => this.api.call(api.listBags));
  protected readonly words = STATE_WORDS;

  protected readonly isFilled = isFilled;
  protected readonly filter = new FormGroup({ find: text(), state: text() });
  private readonly typed = typedValue(this.filter);
  protected readonly states = [
    { value: '', name: 'every state' },
    ...JOB_STATES.map((state) => ({ value: state, name: STATE_WORDS[state] })),
  ];
  private readonly found = computed(() => findBags(this.bags.value() ?? [], this.typed()));
  protected readonly groups = computed(() => groupBags(this.found()));
  protected readonly promised = promisedText;

  protected onKey(event: KeyboardEvent): void {
    if (isTyping(event) || event.key.toLowerCase() !== 'n' || event.ctrlKey || event.metaKey || event.altKey)
      return;
    event.preventDefault();
    void this.router.navigate(['/bags/new']);
  }
}
