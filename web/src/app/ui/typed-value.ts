import type { Signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { FormGroup } from '@angular/forms';
import { map, startWith } from 'rxjs';

/** All a form holds, as a signal that follows the typing. Must be called where `inject` works. */
export const typedValue = <T extends FormGroup>(form: T): Signal<ReturnType<T['getRawValue']>> => {
  const now = (): ReturnType<T['getRawValue']> => form.getRawValue() as ReturnType<T['getRawValue']>;
  return toSignal(form.valueChanges.pipe(startWith(null), map(now)), { initialValue: now() });
};
