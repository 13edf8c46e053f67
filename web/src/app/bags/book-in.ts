import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormGroup, ReactiveFormsModule } from '@angular/forms';
import { Router } from '@angular/router';
import { api, type Customer, type CustomerReel, type NewBag, type PromiseAsked } from '@yard-spool/contract';
import { DateTime } from 'luxon';
import { catchError, of, switchMap } from 'rxjs';
import { ApiService } from '../data/api.service';
import { load } from '../data/loaded';
import { Undo } from '../ui/undo.service';
import { UnitsService } from '../data/units.service';
import { useKeys } from '../keyboard/keyboard.service';
import { LoadState } from '../ui/load-state';
import { Sending } from '../ui/sending';
import { text } from '../ui/text-control';
import { typedValue } from '../ui/typed-value';
import { WhenField } from '../ui/when-field';
import { PastPromise, promiseMissing } from './past-promise';
import { PromiseHint } from './promise-hint';
import { dropDraft, emptyDraft, keepDraft, savedDraft, type BookingDraft } from './booking-draft';
import { CameIn } from './came-in';
import { CustomerPicker } from '../customers/customer-picker';
import { DeskView } from '../planning/desk-view';
import { PlanningDesk } from '../planning/planning-desk';
import { emptyReel, likeReel, spareOf } from '../planning/reel-draft';
import { NextAsked } from '../ui/next-asked';
import { knownReel, reelFromPlan } from '../planning/reel-from-plan';
import { soakOf } from '../planning/soak-by';

const bagForm = ({ key, customerId, customerName, contact, promised, notes }: BookingDraft) =>
  new FormGroup({
    key: text(key),
    customerId: text(customerId),
    customerName: text(customerName),
    contact: text(contact),
    promised: text(promised),
    notes: text(notes),
  });

/** Booking a bag in: its reels one after another, each with its plan beside the entry, changing with every keystroke. */
@Component({
  selector: 'ys-book-in',
  imports: [
    CameIn,
    CustomerPicker,
    DeskView,
    LoadState,
    NextAsked,
    PastPromise,
    PromiseHint,
    ReactiveFormsModule,
    WhenField,
  ],
  providers: [PlanningDesk],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './book-in.html',
  host: { class: 'block min-h-0 grow' },
})
export class BookIn {
  private readonly api = inject(ApiService);
  private readonly router = inject(Router);
  private readonly undo = inject(Undo);
  private readonly units = inject(UnitsService);
  protected readonly desk = inject(PlanningDesk);

  /** From the address: a reel to fill as it was, for anybody; a reel that comes in again; whose bag it is. */
  readonly like = input<string>();
  readonly tag = input<string>();
  readonly for = input<string>();

  protected readonly view = viewChild.required(DeskView);
  private readonly customer = viewChild.required(CustomerPicker);
  private readonly kept = savedDraft();
  protected readonly bagForm = bagForm(this.kept);
  private readonly bagTyped = typedValue(this.bagForm);

  protected readonly pieces = load(() => this.api.call(api.listPieces));
  private readonly lines = load(() => this.api.call(api.listProducts));
  private readonly book$ = load(() => this.api.call(api.listReelKinds));
  protected readonly kinds = computed(() => this.book$.value() ?? []);
  /** Reels the customer has had here, while the reel looked at has no name yet. */
  private readonly had = toSignal(
    toObservable(computed(() => this.bagTyped().customerId)).pipe(
      switchMap((id) =>
        id === ''
          ? of([])
          : this.api.call(api.listCustomerReels, { params: { id } }).pipe(catchError(() => of([]))),
      ),
    ),
    { initialValue: [] as CustomerReel[] },
  );
  protected readonly named = computed(() => this.desk.draft().label !== '');
  protected readonly known = computed(() => {
    if (this.named()) return [];
    const chosen = new Set(this.desk.reels().map(({ tag }) => tag));
    return this.had()
      .filter(({ tag }) => !chosen.has(tag))
      .slice(0, 3);
  });

  protected readonly promisedAt = computed(() => this.bagTyped().promised);
  /** A promise in the past that is meant. */
  protected readonly meant = signal('');
  /** What cannot be done by then any more; empty where all can. */
  protected readonly tooLate = computed(() => {
    const soak = soakOf(this.desk.plan(), this.promisedAt(), this.desk.ruling().rules);
    return soak && !soak.possible ? soak.words : '';
  });
  protected readonly foundByTag = signal('');
  /** The tag of the reel looked at, where it has been here before. */
  protected readonly cameIn = computed(() => {
    const { tag } = this.desk.draft();
    return this.had().some((one) => one.tag === tag) ? tag : '';
  });
  protected readonly noting = signal(false);
  protected readonly sending = new Sending();

  /** The reels as they are typed, where all of them can be planned. */
  protected readonly promiseAsked = computed((): Omit<PromiseAsked, 'promisedAt'> | null => {
    if (this.desk.notReady() !== '') return null;
    return {
      jobs: this.desk
        .jobs()
        .jobs.map(({ type, planInput, cuts, wants }) => ({ type, planInput, cuts: [...cuts], wants })),
    };
  });

  protected promise(at: string): void {
    this.bagForm.controls.promised.setValue(DateTime.fromISO(at).toFormat("yyyy-MM-dd'T'HH:mm"));
  }

  /** What keeps this bag from being sent, in one sentence; empty where nothing does. */
  protected readonly notReady = computed(() => {
    const { customerName, promised } = this.bagTyped();
    if (this.desk.notReady() !== '') return this.desk.notReady();
    if (customerName.trim() === '') return 'Say whose reel it is.';
    return promiseMissing(promised, this.meant());
  });

  constructor() {
    const byKey = this.router.currentNavigation()?.extras.state?.typing === true;
    const known = this.kept.customerName !== '';
    if (byKey) afterNextRender(() => (known ? this.view().begin() : this.customer().focus()));
    this.desk.planFrom({
      // Line another customer brought is not to be had.
      rack: computed(() => (this.pieces.value() ?? []).filter(({ broughtWith }) => broughtWith === null)),
      lines: computed(() => this.lines.value() ?? []),
      customerId: computed(() => this.bagTyped().customerId),
    });
    this.desk.lay(this.kept.reels);
    useKeys(
      { 'Ctrl Enter': () => this.book(), 'Alt L': () => this.addLike() },
      { Enter: 'On to what is still to be filled in', 'Ctrl Enter': 'Book it in', 'Alt L': 'Copy this reel' },
    );
    // Kept as it is typed, not when the screen next comes round: a reload may come first.
    this.desk.form.valueChanges.subscribe(() => this.keep());
    this.bagForm.valueChanges.subscribe(() => this.keep());
    effect(() => {
      const like = this.like();
      const tag = this.tag();
      const id = this.for();
      untracked(() => this.begin(like, tag, id));
    });
  }

  /** What the address asks for, once: a reload goes on with what was typed. */
  private begin(like?: string, tag?: string, id?: string): void {
    if (!like && !tag && !id) return;
    void this.router.navigate([], { replaceUrl: true });
    if (id) {
      this.api.call(api.readCustomer, { params: { id } }).subscribe(({ customer }) => this.isFor(customer));
      return;
    }
    if (this.named()) this.addReel();
    if (tag) this.byTag(tag);
    else if (like) this.asAnother(like);
  }

  private isFor({ id, name, contact }: Customer): void {
    this.bagForm.patchValue({ customerId: String(id), customerName: name, contact });
  }

  /** A reel of the same kind, wound as that one was: no tag, nobody’s yet. */
  private asAnother(tag: string): void {
    this.api.call(api.readLastPlan, { params: { tag } }).subscribe(({ reel }) => {
      this.asLastTime({ ...reel, tag: '' });
      this.foundByTag.set(`Planned as ${reel.tag} was.`);
    });
  }

  /** Whether it was booked: whatever a field still says as it is left is nobody's booking any more. */
  private booked = false;

  private keep(): void {
    if (this.booked) return;
    keepDraft({ ...this.bagForm.getRawValue(), reels: this.desk.reels() });
  }

  protected addReel(): void {
    this.desk.add(emptyReel());
  }

  /** The reel above once more: the same kind, the same line, a tag of its own. */
  protected addLike(): void {
    if (this.named()) this.desk.add(likeReel(this.desk.draft()));
  }

  /** Another spool of the reel looked at. */
  protected addSpare(): void {
    const reel = this.desk.draft();
    this.desk.add(spareOf(reel, reel.sameReelAs === '' ? this.desk.at() : Number(reel.sameReelAs)));
  }

  /** A tag the shop knows brings its reel, how it was filled last, and its customer. */
  protected byTag(tag: string): void {
    this.foundByTag.set('');
    if (tag.trim() === '' || this.named()) return;
    this.api
      .call(api.readLastPlan, { params: { tag: tag.trim().toUpperCase() } })
      .pipe(catchError(() => of(null)))
      .subscribe((found) => {
        if (!found) {
          this.foundByTag.set(`${tag.trim().toUpperCase()} is a new tag here.`);
          return;
        }
        this.isFor(found.customer);
        this.asLastTime(found.reel);
        this.foundByTag.set(`${found.reel.tag} is ${found.customer.name}’s, planned as last time.`);
      });
  }

  protected asLastTime({ last, ...reel }: CustomerReel): void {
    this.desk.say(last ? reelFromPlan(reel, last, this.units.system(), true) : knownReel(reel));
  }

  /** Takes a reel out of the booking; a message brings it back. */
  protected leaveOut(): void {
    const reels = this.desk.reels();
    const at = this.desk.at();
    const label = reels[at]?.label ?? '';
    this.desk.drop();
    this.undo.tellHere(`${label === '' ? 'A reel' : label} is left out of the booking.`, () => {
      this.desk.lay(reels);
      this.desk.show(at);
      this.keep();
    });
  }

  protected startOver(): void {
    const bag = this.bagForm.getRawValue();
    const begun = this.desk.reels();
    this.clear();
    if (bag.customerName === '' && begun.every(({ label }) => label === '')) return;
    this.undo.tellHere('The booking that was begun is cleared.', () => {
      this.bagForm.reset(bag);
      this.desk.lay(begun);
      this.keep();
    });
  }

  private clear(): void {
    const { reels, ...bag } = (dropDraft(), emptyDraft());
    this.bagForm.reset(bag);
    this.desk.lay(reels);
    this.customer().focus();
  }

  protected book(): void {
    if (this.notReady() !== '' || this.sending.busy()) return;
    const { key, customerId, customerName, contact, promised, notes } = this.bagForm.getRawValue();
    const body: NewBag = {
      key,
      customer: customerId === '' ? { name: customerName, contact } : { id: Number(customerId) },
      promisedAt: DateTime.fromISO(promised).toUTC().toISO() ?? '',
      notes,
      ...this.desk.jobs(),
    };
    this.sending.send(
      this.api.call(api.bookBag, { body }),
      ({ number }) => {
        this.booked = true;
        dropDraft();
        void this.router.navigate(['/bags', number]);
      },
      () => {
        this.pieces.reload();
      },
    );
  }
}
