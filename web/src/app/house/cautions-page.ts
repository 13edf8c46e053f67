import { ChangeDetectionStrategy, Component, computed, effect, inject } from '@angular/core';
import { FormArray, FormGroup, ReactiveFormsModule } from '@angular/forms';
import type { SavedHouseRules } from '@yard-spool/contract';
import { BUILT_IN_CAUTIONS, CAUTION_PLACES, type BuiltInCaution, type CautionPlace } from '@yard-spool/core';
import { HouseService } from '../data/house.service';
import { SessionService } from '../data/session.service';
import { LoadState } from '../ui/load-state';
import { SelectField } from '../ui/select-field';
import { Sending } from '../ui/sending';
import { text } from '../ui/text-control';
import { TextField } from '../ui/text-field';
import { HouseTabs } from './house-tabs';

const ownForm = (at = 'wind', title = '', words = '') =>
  new FormGroup({ at: text(at), title: text(title), text: text(words) });

/** The cautions the bench shows: every built-in one, in the shop's words where it wants, and the shop's own. */
@Component({
  selector: 'ys-cautions-page',
  imports: [LoadState, ReactiveFormsModule, HouseTabs, SelectField, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './cautions-page.html',
  host: { class: 'block min-h-0 grow' },
})
export class CautionsPage {
  private readonly session = inject(SessionService);
  protected readonly house = inject(HouseService);

  protected readonly mayChange = computed(() => this.session.person()?.role === 'manager');
  protected readonly builtIn = BUILT_IN_CAUTIONS;
  protected readonly places = CAUTION_PLACES;
  protected readonly placeOptions = Object.entries(CAUTION_PLACES).map(([value, name]) => ({ value, name }));
  protected readonly words = new FormGroup(
    Object.fromEntries(BUILT_IN_CAUTIONS.map(({ id }) => [id, text()])) as Record<
      BuiltInCaution,
      ReturnType<typeof text>
    >,
  );
  protected readonly more = new FormArray<ReturnType<typeof ownForm>>([]);
  protected readonly sending = new Sending();

  constructor() {
    effect(() => {
      const house = this.house.house();
      if (house && this.words.pristine && this.more.pristine) this.show(house);
    });
  }

  private show({ cautions }: SavedHouseRules): void {
    this.words.reset(cautions.words);
    this.more.clear();
    for (const { at, title, text: words } of cautions.more) this.more.push(ownForm(at, title, words));
    this.more.markAsPristine();
  }

  protected add(): void {
    this.more.push(ownForm());
    this.more.markAsDirty();
  }

  protected drop(at: number): void {
    this.more.removeAt(at);
    this.more.markAsDirty();
  }

  protected save(): void {
    const house = this.house.house();
    if (!house) return;
    const typed = Object.entries(this.words.getRawValue()).filter(([, words]) => words.trim() !== '');
    const cautions: SavedHouseRules['cautions'] = {
      words: Object.fromEntries(typed),
      more: this.more.getRawValue().map((one) => ({ ...one, at: one.at as CautionPlace })),
    };
    this.sending.save([this.words, this.more], this.house.change({ ...house, cautions }), (kept) => {
      this.show(kept);
    });
  }
}
