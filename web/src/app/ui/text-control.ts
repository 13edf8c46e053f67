import { FormControl } from '@angular/forms';

/** A text control that never holds null. */
export const text = (value = ''): FormControl<string> => new FormControl(value, { nonNullable: true });
