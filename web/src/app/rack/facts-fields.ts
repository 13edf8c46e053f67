import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { HouseService } from '../data/house.service';
import { UnitsService } from '../data/units.service';
import { QuantityField } from '../ui/quantity-field';
import { SelectField } from '../ui/select-field';
import { TextField } from '../ui/text-field';
import { WhenField } from '../ui/when-field';
import { FACT_RANGE, type FactsForm } from './piece-facts';

/** What is printed on a piece or measured once; none of it is needed to wind from it. */
@Component({
  selector: 'ys-facts-fields',
  imports: [QuantityField, SelectField, TextField, WhenField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let fields = form().controls;
    <ys-text-field label="Lot" [control]="fields.lot" />
    <ys-quantity-field
      label="Price of the whole"
      dimension="count"
      [control]="fields.price"
      [allowed]="range.price"
      [note]="house.house()?.money ?? ''"
    />
    <ys-quantity-field
      label="Empty spool"
      dimension="mass"
      [placeholder]="units.like('95 g', '3.4 oz')"
      [control]="fields.tare"
      [allowed]="range.tare"
    />
    <ys-when-field label="Line was new on" [control]="fields.newOn" />
    <ys-quantity-field
      label="Flange Ø"
      dimension="small-length"
      [control]="fields.flange"
      [allowed]="range.spool"
    />
    <ys-quantity-field
      label="Core Ø"
      dimension="small-length"
      [control]="fields.core"
      [allowed]="range.spool"
    />
    <ys-select-field label="How it was wound" [control]="fields.wound" [options]="wound" />
    <ys-select-field label="Direction it unwinds, label up" [control]="fields.leaves" [options]="leaves" />
  `,
  host: { class: 'grid grid-cols-2 gap-2.5' },
})
export class FactsFields {
  protected readonly house = inject(HouseService);
  protected readonly units = inject(UnitsService);
  readonly form = input.required<FactsForm>();
  protected readonly range = FACT_RANGE;
  protected readonly wound = [
    { value: 'unknown', name: 'not known' },
    { value: 'rolled', name: 'off the side' },
    { value: 'over-end', name: 'off the end' },
  ];
  protected readonly leaves = [
    { value: 'unknown', name: 'not known' },
    { value: 'clockwise', name: 'clockwise' },
    { value: 'anticlockwise', name: 'anticlockwise' },
  ];
}
