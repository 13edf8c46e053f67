import type { Signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { FormControl } from '@angular/forms';
import { startWith, switchMap } from 'rxjs';

/** The value of whichever control a signal holds, as a signal. Must be called where `inject` works. */
export const toSignalOf = (control: Signal<FormControl<string>>): Signal<string> =>
  toSignal(toObservable(control).pipe(switchMap((one) => one.valueChanges.pipe(startWith(one.value)))), {
    initialValue: '',
  });
