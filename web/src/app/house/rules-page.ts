import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { api } from '@yard-spool/contract';
import {
  HOUSE_QUESTIONS,
  schoolOf,
  USUAL_HOUSE_RULES,
  type HouseQuestion,
  type HouseRules,
  type Question,
} from '@yard-spool/core';
import { catchError, debounceTime, of, switchMap } from 'rxjs';
import { ApiService } from '../data/api.service';
import { HouseService } from '../data/house.service';
import { load } from '../data/loaded';
import { SessionService } from '../data/session.service';
import { UnitsService } from '../data/units.service';
import { LoadState } from '../ui/load-state';
import { Sending } from '../ui/sending';
import { useKeys } from '../keyboard/keyboard.service';
import { QUESTION_NAMES } from '../words/question-names';
import { RulesPreview } from './rules-preview';
import { HouseTabs } from './house-tabs';
import { SchoolPhysics } from './school-physics';

const QUESTIONS = Object.keys(QUESTION_NAMES) as HouseQuestion[];
const SETTLES_MS = 120;

/** Every question good technicians answer differently: the schools, what physics adds, and what a change would change. */
@Component({
  selector: 'ys-rules-page',
  imports: [LoadState, RouterLink, RulesPreview, HouseTabs, SchoolPhysics],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './rules-page.html',
  host: { class: 'block min-h-0 grow' },
})
export class RulesPage {
  private readonly api = inject(ApiService);
  private readonly session = inject(SessionService);
  protected readonly house = inject(HouseService);
  protected readonly units = inject(UnitsService);

  /** From the address. */
  readonly question = input.required<string>();

  protected readonly mayChange = computed(() => this.session.person()?.role === 'manager');
  protected readonly asked = computed((): HouseQuestion => {
    const asked = this.question() as HouseQuestion;
    return QUESTIONS.includes(asked) ? asked : 'level';
  });
  protected readonly shown = computed((): Question => HOUSE_QUESTIONS[this.asked()]);
  /** What somebody thinks of and has not kept yet, by question. */
  protected readonly thought = signal<Partial<HouseRules>>({});
  protected readonly kept = computed(() => this.house.house()?.rules ?? USUAL_HOUSE_RULES);
  protected readonly rules = computed((): HouseRules => ({ ...this.kept(), ...this.thought() }));
  protected readonly rows = computed(() =>
    QUESTIONS.map((id) => ({
      id,
      name: QUESTION_NAMES[id],
      school: schoolOf(this.rules(), id).name,
      thought: this.rules()[id] !== this.kept()[id],
      exceptions: this.house.exceptions().filter(({ question }) => question === id).length,
    })),
  );
  protected readonly changed = computed(() => this.rows().filter(({ thought }) => thought));
  protected readonly habits = load(() => this.api.call(api.readHabits));
  protected readonly sending = new Sending();
  private readonly saved = signal(0);
  protected readonly preview = toSignal(
    toObservable(computed(() => ({ rules: this.rules(), saved: this.saved() }))).pipe(
      debounceTime(SETTLES_MS),
      switchMap(({ rules }) =>
        this.api.call(api.previewHouseRules, { body: { rules } }).pipe(catchError(() => of(null))),
      ),
    ),
  );

  constructor() {
    useKeys({ 'Ctrl Enter': () => this.keep() }, { 'Ctrl Enter': 'Save the rules' });
    effect(() => {
      // A question asked again starts at its top, not where the last one was left.
      this.asked();
      document.querySelector('ys-rules-page [data-part=question]')?.scrollTo(0, 0);
    });
  }

  protected choose(school: string): void {
    if (this.mayChange()) this.thought.update((thought) => ({ ...thought, [this.asked()]: school }));
  }

  protected takeBack(): void {
    this.thought.set({});
  }

  protected keep(): void {
    const house = this.house.house();
    if (!house || this.changed().length === 0) return;
    this.sending.send(this.house.change({ ...house, rules: this.rules() }), () => {
      this.thought.set({});
      this.saved.update((times) => times + 1);
    });
  }
}
