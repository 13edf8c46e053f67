import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { api, type Comeback, type Fill, type FillLayer, type Reel } from '@yard-spool/contract';
import {
  formatCount,
  bedInText,
  fillStyle,
  fillSection,
  fillStretches,
  type HouseQuestion,
  REEL_TRAITS,
  type RuleStretch,
  schoolOf,
  type SectionView,
} from '@yard-spool/core';
import { ApiService } from '../data/api.service';
import { loadFor } from '../data/loaded';
import { UnitsService } from '../data/units.service';
import { LengthRule } from '../drawing/length-rule';
import { LineSwatch } from '../drawing/line-swatch';
import { SmallSection } from '../drawing/small-section';
import { SpoolSection } from '../drawing/spool-section';
import { REEL_TYPE_NAMES } from '../words/reel-type-names';
import { QUESTION_NAMES, SCOPE_WORDS } from '../words/question-names';
import { momentText } from '../ui/day-text';
import { LoadState } from '../ui/load-state';
import { laidWords } from './laid-words';
import { fillNow } from '../data/fill-now';
import { LineLost } from './line-lost';
import { CounterRecord } from './counter-record';
import { FillBeside } from './fill-beside';
import { FillTold } from './fill-told';
import { CameBack } from './came-back';
import { ComebackForm } from './comeback-form';
import { PutRight } from './put-right';
import { ReelEntryPanel } from './reel-entry';
import { TakeAlong } from './take-along';
import { TripsTold } from './trips-told';
import { dueWords } from './record-words';
import { KnownSpool } from './known-spool';

const BASIS_WORDS: Readonly<Record<FillLayer['restsOn'][number], string>> = {
  counter: 'by the counter',
  'hand-count': 'by hand count',
  meter: 'by the line meter',
  depth: 'by the depth read',
  'used-up': 'by the piece used up',
  weighed: 'by weight',
  plan: 'as planned: nobody counted or measured',
  corrected: 'as it was put right',
};

/** A reel: the section as filled, what is on it and from which piece, and the fills before. */
@Component({
  selector: 'ys-reel-page',
  imports: [
    CameBack,
    ComebackForm,
    CounterRecord,
    PutRight,
    ReelEntryPanel,
    SmallSection,
    TakeAlong,
    LineLost,
    TripsTold,
    FillBeside,
    FillTold,
    KnownSpool,
    RouterLink,
    SpoolSection,
    LengthRule,
    LineSwatch,
    LoadState,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './reel-page.html',
  host: { class: 'block min-h-0 grow' },
})
export class ReelPage {
  protected readonly count = formatCount;
  protected readonly traits = REEL_TRAITS;
  private readonly api = inject(ApiService);
  private readonly router = inject(Router);
  protected readonly units = inject(UnitsService);

  /** From the address. */
  readonly tag = input.required<string>();

  protected readonly reel = loadFor(this.tag, (tag) => this.api.call(api.readReel, { params: { tag } }));
  protected readonly types = REEL_TYPE_NAMES;
  protected readonly shownId = linkedSignal(() => this.reel.value()?.fills[0]?.id);
  protected readonly fill = computed(() => this.reel.value()?.fills.find(({ id }) => id === this.shownId()));
  /** The fill that is put beside the one shown; null where none is. */
  protected readonly besideId = linkedSignal<number | undefined, number | null>({
    source: this.shownId,
    computation: () => null,
  });
  protected readonly pair = computed((): readonly [Fill, Fill] | null => {
    const shown = this.fill();
    const beside = this.reel.value()?.fills.find(({ id }) => id === this.besideId());
    return shown && beside ? [shown, beside] : null;
  });
  /** The spool shown, with all that was read of it, and its fills. */
  protected readonly spool = computed(() => {
    const reel = this.reel.value();
    const name = this.fill()?.spoolName;
    const of = reel?.spools.find((one) => one.name === name);
    const fills = reel?.fills.filter(({ spoolName }) => spoolName === name).length ?? 0;
    return of && { ...of, fills };
  });
  /** What is done beside reading: putting right, or booking it as come back. */
  protected readonly panel = linkedSignal<number | undefined, 'put-right' | 'came-back' | 'entry' | null>({
    source: this.shownId,
    computation: () => null,
  });
  protected readonly due = dueWords;
  protected readonly bedIn = bedInText;

  /** Shows what lies on a spool now. */
  protected lookAt({ on }: Reel['spools'][number]): void {
    if (on) this.shownId.set(on.fillId);
  }

  /** The entry is another now: its page may have another address. */
  protected entryChanged({ tag }: Reel): void {
    this.panel.set(null);
    if (tag === this.tag()) this.reel.reload();
    else void this.router.navigate(['/reels', tag], { replaceUrl: true });
  }

  /** It came back: the causes are gone through at once, with all the record knows. */
  protected cameBack({ id, fillId, tag }: Comeback): void {
    void this.router.navigate(['/reels/fault'], { queryParams: { tag, fill: fillId, comeback: id } });
  }

  protected changed(): void {
    this.panel.set(null);
    this.reel.reload();
  }

  /** The fill as it lies there now: without what was lost since, where it is still on. */
  private readonly now = computed((): Fill | undefined => {
    const fill = this.fill();
    const lost = fill ? this.lostOf(fill) : 0;
    return fill && lost > 0 ? fillNow(fill, lost) : fill;
  });
  protected readonly total = computed(
    () => (this.now()?.layers ?? []).reduce((sum, { lengthMm }) => sum + lengthMm, 0) / 1000,
  );
  protected readonly section = computed((): SectionView | null => {
    const fill = this.now();
    return fill
      ? fillSection(fill, { length: (m) => this.units.length(m), small: (mm) => this.units.small(mm) })
      : null;
  });
  protected readonly stretches = computed((): RuleStretch[] => {
    const fill = this.now();
    return fill ? fillStretches(fill) : [];
  });
  protected readonly day = momentText;
  /** Metres lost of a fill that lies there still. */
  protected lostOf({ id }: Fill): number {
    const on = this.spool()?.on;
    return on?.fillId === id ? on.offMm / 1000 : 0;
  }
  protected readonly under = ({ laid }: Fill) => laidWords(laid, this.units);
  protected readonly rulesOf = ({ under: { rules, from } }: Fill) =>
    (Object.keys(QUESTION_NAMES) as HouseQuestion[]).map((question) => {
      const scope = from[question];
      const name = this.units.say(schoolOf(rules, question).name);
      return { name: QUESTION_NAMES[question], school: scope ? `${name}, ${SCOPE_WORDS[scope]}` : name };
    });
  protected readonly styleOf = fillStyle;

  /** What a length rests on, and how sure that is; empty where it was recorded without. */
  protected restsOn({ likelyMm: [low, high], restsOn }: FillLayer): string {
    if (restsOn.length === 0) return '';
    const by = restsOn.map((basis) => BASIS_WORDS[basis]).join(' and ');
    return `Likely ${this.units.length(low / 1000)} to ${this.units.length(high / 1000)}, ${by}.`;
  }
}
