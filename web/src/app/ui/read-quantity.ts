import { inject } from '@angular/core';
import type { FormControl } from '@angular/forms';
import { parseQuantity, type Allowed, type Dimension } from '@yard-spool/core';
import { UnitsService } from '../data/units.service';

/** Reads what a control holds in the person's units; null where it is empty or wrong. Must be made where `inject` works. */
export function quantityReader(): (
  control: FormControl<string>,
  dimension: Dimension,
  allowed?: Allowed,
) => number | null {
  const units = inject(UnitsService);
  return (control, dimension, allowed = {}) => {
    const read = parseQuantity(control.value, dimension, units.system(), allowed);
    return read.ok ? read.value.value : null;
  };
}
