import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, signal } from '@angular/core';
import { interval, Subscription } from 'rxjs';

const SECOND_MS = 1000;

/** Minutes and seconds since it was started, for line that lies in warm water. */
@Component({
  selector: 'ys-minute-timer',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="flex items-center gap-4">
      <span class="figure text-[72px] leading-none" role="timer">{{ shown() }}</span>
      <button type="button" class="plain min-h-14!" (click)="toggle()">
        {{ running() ? 'Stop the clock' : 'Start the clock' }}
      </button>
    </div>
    <p class="pt-1 text-mute">Three to ten minutes.</p>
  `,
  host: { class: 'block pt-4' },
})
export class MinuteTimer {
  private readonly began = signal<number | null>(null);
  private readonly now = signal(0);
  private ticking: Subscription | null = null;

  protected readonly running = computed(() => this.began() !== null);
  protected readonly shown = computed(() => {
    const began = this.began();
    const seconds = began === null ? 0 : Math.max(0, Math.floor((this.now() - began) / SECOND_MS));
    return `${String(Math.floor(seconds / 60))}:${String(seconds % 60).padStart(2, '0')}`;
  });

  constructor() {
    inject(DestroyRef).onDestroy(() => this.ticking?.unsubscribe());
  }

  protected toggle(): void {
    this.ticking?.unsubscribe();
    if (this.running()) {
      this.began.set(null);
      return;
    }
    this.began.set(Date.now());
    this.now.set(Date.now());
    this.ticking = interval(SECOND_MS).subscribe(() => this.now.set(Date.now()));
  }
}
