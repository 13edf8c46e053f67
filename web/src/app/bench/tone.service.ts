import { effect, Injectable, signal, untracked } from '@angular/core';

const KEPT_AT = 'yard-spool.sound';
/** Turns before the stop at which it is heard first. */
const NEAR = 10;

/** A soft tone near the stop. It can be off; the mark on the screen stays. Kept on the machine. */
@Injectable({ providedIn: 'root' })
export class Tone {
  private readonly heard = signal(localStorage.getItem(KEPT_AT) !== 'off');
  readonly on = this.heard.asReadonly();
  private context: AudioContext | null = null;

  switch(): void {
    this.heard.update((on) => !on);
    localStorage.setItem(KEPT_AT, this.heard() ? 'on' : 'off');
  }

  /** Follows the turns to go of one screen. Must be called where `inject` works. */
  follow(toGo: () => number): void {
    let before = 0;
    effect(() => {
      const now = toGo();
      untracked(() => {
        this.count(before, now);
        before = now;
      });
    });
  }

  /** Sounds where the turns to go cross the mark near the stop, or the stop itself. */
  count(before: number, now: number): void {
    if (!this.heard() || now >= before) return;
    if (now === 0) this.sound(660, 0.35);
    else if (before > NEAR && now <= NEAR) this.sound(440, 0.18);
  }

  private sound(hertz: number, seconds: number): void {
    if (typeof AudioContext === 'undefined') return;
    this.context ??= new AudioContext();
    const { context } = this;
    const tone = context.createOscillator();
    const volume = context.createGain();
    tone.frequency.value = hertz;
    volume.gain.setValueAtTime(0.12, context.currentTime);
    volume.gain.linearRampToValueAtTime(0, context.currentTime + seconds);
    tone.connect(volume).connect(context.destination);
    tone.start();
    tone.stop(context.currentTime + seconds);
  }
}
