import { computed, inject, Injectable } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { api } from '@yard-spool/contract';
import { catchError, of } from 'rxjs';
import { ApiService } from './api.service';

/** Whether this is the demo, and what comes with it. */
@Injectable({ providedIn: 'root' })
export class DemoService {
  private readonly sheet = toSignal(
    inject(ApiService)
      .callSaved(api.signInSheet)
      .pipe(catchError(() => of(null))),
  );

  readonly isDemo = computed(() => this.sheet()?.demo !== undefined);
  /** Where the simulated counter is turned; empty where there is none. */
  readonly counterPanel = computed(() => this.sheet()?.demo?.counterPanel ?? '');
}
