import { ChangeDetectionStrategy, Component, effect, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { api, JOB_STATES, type BagGroup } from '@yard-spool/contract';
import { catchError, debounceTime, distinctUntilChanged, EMPTY, map } from 'rxjs';
import { FormGroup } from '@angular/forms';
import { ApiService } from '../data/api.service';
import { SelectField } from '../ui/select-field';
import { text } from '../ui/text-control';
import { TextField } from '../ui/text-field';
import { typedValue } from '../ui/typed-value';
import { useKeys } from '../keyboard/keyboard.service';
import { BagGroupList } from './bag-group';
import { FirstSteps } from './first-steps';
import { BagsTabs } from './bags-tabs';
import { STATE_WORDS } from './job-state';

/** How long typing rests before it is looked for, ms. */
const RESTS_MS = 150;

/** All bags as the counter goes through them, the one promised soonest first. */
@Component({
  selector: 'ys-bag-list',
  imports: [BagGroupList, BagsTabs, FirstSteps, RouterLink, SelectField, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './bag-list.html',
  host: { class: 'block p-4 px-5' },
})
export class BagList {
  private readonly api = inject(ApiService);
  private readonly router = inject(Router);
  protected readonly groups = [
    { group: 'waiting', name: 'To fill', none: 'No bag waits to be filled. Book one in.' },
    { group: 'filled', name: 'To check and hand back', none: 'Nothing to hand back.' },
    { group: 'over', name: 'Over', none: 'No bag has been handed back yet.' },
  ] as const;
  protected readonly filter = new FormGroup({ find: text(), state: text() });
  private readonly typed = typedValue(this.filter);
  protected readonly states = [
    { value: '', name: 'every state' },
    ...JOB_STATES.map((state) => ({ value: state, name: STATE_WORDS[state] })),
  ];
  /** What is looked for, once the typing rests. */
  protected readonly lookedFor = toSignal(
    toObservable(this.typed).pipe(
      debounceTime(RESTS_MS),
      map(({ find, state }) => ({ find: find.trim(), state })),
      distinctUntilChanged((a, b) => a.find === b.find && a.state === b.state),
    ),
    { initialValue: { find: '', state: '' } },
  );

  private readonly none = signal<ReadonlySet<BagGroup>>(new Set());
  /** Whether nobody ever brought a bag here. */
  protected readonly isNew = signal(false);

  constructor() {
    effect(() => {
      if (!this.none().has('waiting') || !this.none().has('filled')) return;
      this.api
        .call(api.listBags, { query: { group: 'over' } })
        .pipe(catchError(() => EMPTY))
        .subscribe(({ rows }) => this.isNew.set(rows.length === 0));
    });
    useKeys(
      {
        // Whoever comes by a key goes on typing.
        N: () => void this.router.navigate(['/bags/new'], { state: { typing: true } }),
        Q: () => void this.router.navigate(['/bags/question']),
      },
      { N: 'Book a bag in', Q: 'Answer a question at the counter' },
    );
  }
  /** Groups with nothing in them, though nothing is looked for. */
  protected counted(group: BagGroup, bags: number): void {
    const { find, state } = this.lookedFor();
    if (bags > 0 || find !== '' || state !== '') return;
    this.none.update((none) => new Set([...none, group]));
  }
}
