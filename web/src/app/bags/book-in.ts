import { ChangeDetectionStrategy, Component, computed, inject, signal, viewChild } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormGroup, ReactiveFormsModule } from '@angular/forms';
import { Router } from '@angular/router';
import { api, type CustomerReel, type NewBag } from '@yard-spool/contract';
import type { Build, EffectiveRules } from '@yard-spool/core';
import { DateTime } from 'luxon';
import { catchError, of, switchMap } from 'rxjs';
import { ApiService } from '../data/api.service';
import { HouseService } from '../data/house.service';
import { load } from '../data/loaded';
import { UnitsService } from '../data/units.service';
import { LoadState } from '../ui/load-state';
import { Sending } from '../ui/sending';
import { text } from '../ui/text-control';
import { typedValue } from '../ui/typed-value';
import { dropDraft, emptyDraft, keepDraft, keptDraft, type BookingDraft } from './booking-draft';
import { CustomerPicker } from './customer-picker';
import { draftFacts } from './draft-facts';
import { cutRows, draftJob, layerLooks, notReady, takenBy } from './draft-job';
import { planDraft } from './draft-plan';
import { PlanSide } from './plan-side';
import { PlanView } from './plan-view';
import { emptyReel, likeReel, reelForm, spareOf, type ReelDraft } from './reel-draft';
import { ReelEntry } from './reel-entry';
import { reelFromPlan } from './reel-from-plan';
import { takeBuild } from './take-build';

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
  imports: [CustomerPicker, LoadState, PlanSide, PlanView, ReactiveFormsModule, ReelEntry],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './book-in.html',
  host: { class: 'block min-h-0 grow', '(document:keydown)': 'onKey($event)' },
})
export class BookIn {
  private readonly api = inject(ApiService);
  private readonly router = inject(Router);
  private readonly house = inject(HouseService);
  protected readonly units = inject(UnitsService);

  protected readonly entry = viewChild.required(ReelEntry);
  private readonly kept = keptDraft();
  protected readonly bagForm = bagForm(this.kept);
  protected readonly reelForm = reelForm(this.kept.reels[0] ?? emptyReel());
  private readonly bagTyped = typedValue(this.bagForm);
  private readonly reelTyped = typedValue(this.reelForm);
  protected readonly reels = signal<readonly ReelDraft[]>(this.kept.reels);
  protected readonly at = signal(0);

  protected readonly pieces = load(() => this.api.call(api.listPieces));
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
  protected readonly known = computed(() => {
    if ((this.reelTyped() as ReelDraft).label !== '') return [];
    const chosen = new Set(this.reels().map(({ tag }) => tag));
    return this.had()
      .filter(({ tag }) => !chosen.has(tag))
      .slice(0, 3);
  });

  private readonly plans = computed(() =>
    this.reels().map((reel) =>
      planDraft(
        reel,
        this.pieces.value() ?? [],
        this.units.system(),
        this.rulingOf(reel).rules,
        this.house.learning(),
      ),
    ),
  );
  protected readonly planned = computed(() => {
    const plan = this.plans()[this.at()];
    if (!plan) throw new Error('There is a plan for each reel.');
    return plan;
  });
  /** The rules the reel looked at is planned under. */
  protected readonly ruling = computed(() => this.rulingOf(this.reels()[this.at()] ?? emptyReel()));
  protected readonly looks = computed(() => layerLooks(this.planned()));
  protected readonly cuts = computed(() => this.cutsOf(this.at()));
  protected readonly type = computed(() => (this.reelTyped() as ReelDraft).type);
  protected readonly promisedAt = computed(() => this.bagTyped().promised);
  protected readonly foundByTag = signal('');
  protected readonly noting = signal(false);
  protected readonly sending = new Sending();

  /** What keeps this bag from being sent, in one sentence; empty where nothing does. */
  protected readonly notReady = computed(() => {
    const { customerName, promised } = this.bagTyped();
    const reels = this.reels();
    for (const [i, reel] of reels.entries()) {
      const plan = this.plans()[i];
      const why = plan ? notReady(reel, plan, this.cutsOf(i)) : '';
      if (why !== '') return reels.length > 1 ? `Reel ${String(i + 1)}: ${why}` : why;
    }
    if (customerName.trim() === '') return 'Say whose reel it is.';
    return DateTime.fromISO(promised).isValid ? '' : 'Say when it is promised.';
  });

  constructor() {
    this.house.learnMore();
    this.reelForm.valueChanges.subscribe(() => {
      const now = this.reelForm.getRawValue() as unknown as ReelDraft;
      this.reels.update((reels) => reels.map((reel, i) => (i === this.at() ? now : reel)));
      this.keep();
    });
    this.bagForm.valueChanges.subscribe(() => this.keep());
  }

  private keep(): void {
    keepDraft({ ...this.bagForm.getRawValue(), reels: this.reels() });
  }

  private cutsOf(index: number) {
    const plans = this.plans();
    const plan = plans[index];
    const tail = this.house.tail();
    const others = plans.filter((_, i) => i !== index);
    return plan ? cutRows(plan, takenBy(others, tail), tail) : [];
  }

  /** The house's rules, with what was set otherwise for this reel's line, customer or tag. */
  private rulingOf(reel: ReelDraft): EffectiveRules {
    return this.house.rulesFor(draftFacts(reel, this.pieces.value() ?? [], this.bagTyped().customerId));
  }

  protected goTo(index: number): void {
    const reel = this.reels()[index];
    if (!reel) return;
    this.at.set(index);
    this.reelForm.setValue({ ...reel });
  }

  private add(reel: ReelDraft): void {
    this.reels.update((reels) => [...reels, reel]);
    this.goTo(this.reels().length - 1);
    this.keep();
  }

  protected addReel(): void {
    this.add(emptyReel());
  }

  /** The reel above once more: the same kind, the same line, a tag of its own. */
  protected addLike(): void {
    this.add(likeReel(this.reelForm.getRawValue() as unknown as ReelDraft));
  }

  /** Another spool of the reel looked at. */
  protected addSpare(): void {
    const reel = this.reelForm.getRawValue() as unknown as ReelDraft;
    const first = reel.sameReelAs === '' ? this.at() : Number(reel.sameReelAs);
    this.add(spareOf(reel, first));
  }

  /** A tag the shop knows brings its reel, how it was filled last, and its customer. */
  protected byTag(tag: string): void {
    this.foundByTag.set('');
    if (tag.trim() === '' || this.reelForm.controls.label.value !== '') return;
    this.api
      .call(api.readLastPlan, { params: { tag: tag.trim().toUpperCase() } })
      .pipe(catchError(() => of(null)))
      .subscribe((found) => {
        if (!found) {
          this.foundByTag.set(`${tag.trim().toUpperCase()} is a new tag here.`);
          return;
        }
        const { id, name, contact } = found.customer;
        this.bagForm.patchValue({ customerId: String(id), customerName: name, contact });
        this.asLastTime(found.reel);
        this.foundByTag.set(`${found.reel.tag} is ${name}’s, planned as last time.`);
      });
  }

  protected dropReel(): void {
    const gone = this.at();
    // Spare spools of the reel that goes become reels of their own; places after it move up.
    const moved = (place: string): string => {
      const at = Number(place);
      return place === '' || at === gone ? '' : String(at > gone ? at - 1 : at);
    };
    this.reels.update((reels) =>
      reels.filter((_, i) => i !== gone).map((reel) => ({ ...reel, sameReelAs: moved(reel.sameReelAs) })),
    );
    this.goTo(Math.max(0, gone - 1));
    this.keep();
  }

  protected asLastTime({ last, ...reel }: CustomerReel): void {
    const draft = last ? reelFromPlan(reel, last, this.units.system()) : { ...emptyReel(), ...reel };
    this.reelForm.setValue({ ...draft });
  }

  protected take(build: Build): void {
    this.reelForm.patchValue(takeBuild(build, this.units.system()));
  }

  protected startOver(): void {
    const { reels, ...bag } = (dropDraft(), emptyDraft());
    this.bagForm.reset(bag);
    this.reels.set(reels);
    this.goTo(0);
  }

  protected onKey(event: KeyboardEvent): void {
    if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) {
      event.preventDefault();
      this.book();
    }
    if (event.altKey && event.code === 'KeyL' && this.reelForm.controls.label.value !== '') {
      event.preventDefault();
      this.addLike();
    }
  }

  protected book(): void {
    if (this.notReady() !== '') return;
    const { key, customerId, customerName, contact, promised, notes } = this.bagForm.getRawValue();
    const jobs = this.reels().flatMap((reel, i) => {
      const plan = this.plans()[i];
      const job = plan && draftJob(reel, plan, this.units.system());
      return job ? [job] : [];
    });
    const body: NewBag = {
      key,
      customer: customerId === '' ? { name: customerName, contact } : { id: Number(customerId) },
      promisedAt: DateTime.fromISO(promised).toUTC().toISO() ?? '',
      notes,
      jobs,
    };
    this.sending.send(
      this.api.call(api.bookBag, { body }),
      ({ number }) => {
        dropDraft();
        void this.router.navigate(['/bags', number]);
      },
      () => {
        this.pieces.reload();
      },
    );
  }
}
