import { DestroyRef, inject } from '@angular/core';
import { fromEvent, startWith } from 'rxjs';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';

/** Keeps the screen awake while it is in sight; a browser that cannot, or may not, leaves it as it is. */
export function keepAwake(): void {
  const ended = inject(DestroyRef);
  let lock: WakeLockSentinel | null = null;
  fromEvent(document, 'visibilitychange')
    .pipe(startWith(null), takeUntilDestroyed(ended))
    .subscribe(() => {
      if (document.visibilityState !== 'visible' || !('wakeLock' in navigator)) return;
      navigator.wakeLock.request('screen').then(
        (held) => (lock = held),
        () => undefined,
      );
    });
  ended.onDestroy(() => void lock?.release());
}
