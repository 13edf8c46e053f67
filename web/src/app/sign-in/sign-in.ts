import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  ElementRef,
  inject,
  input,
  signal,
  viewChild,
} from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { Router } from '@angular/router';
import { api, type Country, type SignInSheet } from '@yard-spool/contract';
import { catchError, finalize, of, switchMap, type Observable } from 'rxjs';
import { ApiService } from '../data/api.service';
import { RequestProblem, sentenceOf } from '../data/request-problem';
import { SessionService } from '../data/session.service';
import { HelpButton } from '../help/help-button';
import { helpFor } from '../help/screen-help';
import { TourGuide } from '../help/tour-guide.service';
import { TOURS, type Tour } from '../help/tours';
import { UNIT_NAMES } from '../data/units.service';
import { useKeys } from '../keyboard/keyboard.service';
import { PickField } from '../ui/pick-field';
import { BringShop } from './bring-shop';
import { withWords } from './first-words';

type Sheet = SignInSheet | { readonly away: string };

/** Signing in by name and passcode; in a new house, making its first person. */
@Component({
  selector: 'ys-sign-in',
  imports: [BringShop, HelpButton, PickField, ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './sign-in.html',
  host: { class: 'grid min-h-full place-items-center p-4' },
})
export class SignIn {
  private readonly api = inject(ApiService);
  private readonly session = inject(SessionService);
  private readonly router = inject(Router);

  private readonly guide = inject(TourGuide);
  protected readonly tours = TOURS;
  /** Whether it is said what the screen is for. */
  protected readonly helping = signal(false);
  protected readonly says = helpFor('/sign-in');

  /** Where to go afterwards. */
  readonly to = input<string>();

  protected readonly form = new FormGroup({
    name: new FormControl('', { nonNullable: true }),
    passcode: new FormControl('', { nonNullable: true }),
    country: new FormControl('', { nonNullable: true }),
    words: new FormControl('', { nonNullable: true }),
    code: new FormControl('', { nonNullable: true }),
  });
  protected readonly problem = signal('');
  protected readonly busy = signal(false);
  /** Whether an authenticator’s code is asked for. */
  protected readonly wantsCode = signal(false);
  protected readonly sheet = toSignal(
    this.api
      .call(api.signInSheet)
      .pipe(catchError((error: unknown) => of<Sheet>({ away: sentenceOf(error) }))),
  );

  protected readonly known = (): SignInSheet | null => {
    const sheet = this.sheet();
    return sheet && !('away' in sheet) ? sheet : null;
  };
  protected readonly away = (): string => {
    const sheet = this.sheet();
    return sheet && 'away' in sheet ? sheet.away : '';
  };
  protected readonly isNewHouse = (): boolean => this.known()?.people.length === 0;

  private readonly countries = toSignal(
    toObservable(computed(() => this.isNewHouse())).pipe(
      switchMap((isNew) =>
        isNew ? this.api.call(api.listCountries).pipe(catchError(() => of([]))) : of([]),
      ),
    ),
    { initialValue: [] as Country[] },
  );
  protected readonly countryOptions = computed(() =>
    this.countries().map(({ code, name }) => ({ value: code, name })),
  );
  private readonly chosenCountry = toSignal(this.form.controls.country.valueChanges, { initialValue: '' });
  /** What the shop would begin with. */
  protected readonly usual = computed(() => {
    const country = this.countries().find(({ code }) => code === this.chosenCountry());
    if (!country) return '';
    const { units, money, paper, dayOrder } = country;
    const days = dayOrder === 'day-first' ? 'day before month' : 'month before day';
    return `${UNIT_NAMES[units]}; ${money}; ${paper} paper; ${days}. Each can be changed under Settings, Shop.`;
  });

  /** The first of what a new shop says of itself. */
  private readonly first = viewChild<ElementRef<HTMLInputElement>>('first');

  constructor() {
    effect(() => this.first()?.nativeElement.focus());
    // In a field the sign is typed; F1 says it from there too.
    useKeys((key) => (key === '?' || key === 'F1' ? () => this.helping.update((open) => !open) : undefined));
  }

  protected choose(name: string, passcode?: string): void {
    this.wantsCode.set(false);
    this.form.patchValue({ name, ...(passcode === undefined ? {} : { passcode }) });
  }

  /** A tour is tried by a technician of the demo. */
  protected tryOut(tour: Tour): void {
    const sheet = this.known();
    // Somebody may have been added since: no passcode of theirs is told.
    const technicians = sheet?.people.filter(({ role }) => role === 'technician').map(({ name }) => name);
    const person = sheet?.demo?.people.find(({ name }) => technicians?.includes(name));
    if (!person) return;
    this.choose(person.name, person.passcode);
    this.signIn(() => this.guide.begin(tour));
  }

  protected submit(event: Event): void {
    event.preventDefault();
    this.signIn(() => void this.router.navigateByUrl(this.to() ?? '/day'));
  }

  /** Signing in was asked for while a try was on its way. */
  private again = false;
  private readonly passcodeField = viewChild<ElementRef<HTMLInputElement>>('passcode');

  private signIn(then: () => void): void {
    // Pressed again while the last try is on its way: what stands there now is tried next.
    this.again = this.busy();
    if (this.busy()) return;
    const { name, passcode, country, words, code } = this.form.getRawValue();
    this.problem.set('');
    this.busy.set(true);
    const first: Observable<unknown> = this.isNewHouse()
      ? this.api.call(api.addFirstPerson, {
          body: { name, passcode, ...(country === '' ? {} : { country }) },
          headers: withWords(words),
        })
      : of(null);
    first
      .pipe(
        switchMap(() => this.session.signIn(name, passcode, this.wantsCode() ? code : undefined)),
        finalize(() => {
          this.busy.set(false);
          if (this.again && this.form.controls.passcode.value !== passcode) this.signIn(then);
        }),
      )
      .subscribe({
        next: then,
        error: (error: unknown) => {
          // The passcode was right: whoever it is has a second step.
          if (error instanceof RequestProblem && error.code === 'code-needed') this.wantsCode.set(true);
          this.problem.set(sentenceOf(error));
          // The next try is typed in place of this one, also while it is still being looked at.
          const field = this.passcodeField()?.nativeElement;
          if (this.wantsCode()) return;
          if (field && this.form.controls.passcode.value === passcode) {
            field.focus();
            field.select();
          }
        },
      });
  }
}
