import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { api } from '@yard-spool/contract';
import { ApiService } from '../data/api.service';
import { load } from '../data/loaded';
import { SessionService } from '../data/session.service';

interface Way {
  readonly words: string;
  readonly path: string;
  readonly query?: Readonly<Record<string, string>>;
}

interface FirstStep {
  readonly name: string;
  readonly why: string;
  readonly done: boolean;
  readonly ways: readonly Way[];
  /** Whether a shop can do without. */
  readonly optional?: boolean;
}

/** What an empty shop does first, in order; each with where it is done. */
@Component({
  selector: 'ys-first-steps',
  imports: [RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="card p-5" aria-labelledby="first-steps">
      <h2 id="first-steps" class="text-[20px]">
        This shop is new. Four steps, and the first reel can be filled
      </h2>
      <ol class="grid gap-0 pt-2">
        @for (step of steps(); track step.name; let last = $last) {
          <li
            class="grid grid-cols-[44px_minmax(0,1fr)_auto] items-center gap-x-4 gap-y-2 border-line py-3 max-md:grid-cols-[44px_minmax(0,1fr)]"
            [class.border-b]="!last"
            [attr.data-test]="step.done ? 'first-step-done' : 'first-step'"
          >
            <span
              class="grid size-11 place-items-center rounded-plate border-[1.5px] text-[18px] font-extrabold"
              [class.border-ink]="!step.done"
              [class.border-pass]="step.done"
              [class.text-pass]="step.done"
              [attr.aria-hidden]="true"
              >{{ step.done ? '✓' : $index + 1 }}</span
            >
            <div>
              <b class="text-[17px]">{{ step.name }}{{ step.done ? ', done' : '' }}</b>
              <p class="text-mute">{{ step.why }}</p>
            </div>
            <div class="flex flex-wrap gap-2 max-md:col-start-2">
              @for (way of step.ways; track way.words; let first = $first) {
                <a
                  [class]="step === next() && first ? 'go' : 'plain'"
                  [routerLink]="way.path"
                  [queryParams]="way.query"
                  >{{ way.words }}</a
                >
              }
            </div>
          </li>
        }
      </ol>
      @if (!isManager()) {
        <p class="pt-2 text-mute">Benches are set up by a manager; the rest is anybody’s.</p>
      }
    </section>
  `,
})
export class FirstSteps {
  private readonly api = inject(ApiService);
  private readonly session = inject(SessionService);
  private readonly benches = load(() => this.api.call(api.listBenches));
  private readonly tubs = load(() => this.api.call(api.listTubs));
  private readonly lines = load(() => this.api.call(api.listProducts));
  private readonly people = load(() => this.api.call(api.signInSheet));

  protected readonly isManager = computed(() => this.session.person()?.role === 'manager');
  protected readonly steps = computed((): readonly FirstStep[] => {
    const benches = this.benches.value() ?? [];
    return [
      {
        name: 'Benches and people',
        why: 'How much room a bench has, which counters stand on it, and who else works here.',
        done: benches.some(({ version }) => version > 1) || benches.length > 1,
        ways: [
          { words: 'Set up the benches', path: '/house/benches' },
          {
            words: this.people.value()?.people.length === 1 ? 'Add people' : 'People',
            path: '/house/people',
          },
        ],
      },
      {
        name: 'Tubs, if line is soaked here',
        why: 'Thick nylon that is soaked before it is wound: the tubs know what lies in them and since when.',
        done: (this.tubs.value() ?? []).length > 0,
        optional: true,
        ways: [{ words: 'Add a tub', path: '/rack/tubs' }],
      },
      {
        name: 'Line on the rack',
        why: 'A few spools are enough to begin with. A pack’s bar code is scanned once and known from then on.',
        done: (this.lines.value() ?? []).length > 0,
        ways: [
          { words: 'Type or scan it', path: '/rack', query: { receive: 'yes' } },
          { words: 'Import a file', path: '/rack/files' },
        ],
      },
      {
        name: 'The first bag',
        why: 'Whose reels they are, which line goes on: the plan follows each key.',
        done: false,
        ways: [
          { words: 'Book a bag in', path: '/bags/new' },
          { words: 'Quick question', path: '/bags/question' },
        ],
      },
    ];
  });
  /** What comes next: tubs are for those who want them. */
  protected readonly next = computed(() => this.steps().find(({ done, optional }) => !done && !optional));
}
