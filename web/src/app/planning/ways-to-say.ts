import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { UnitsService } from '../data/units.service';

/** What can be typed of a reel and its line, the way people say it. A test holds each to what is understood. */
export const SAYINGS = {
  prints: ['208 x 0.25', '0.30/145', '8/150 yd', '150m/0,28mm'],
  amounts: [
    '120 m',
    '130 yd',
    'half the pack',
    'what is left',
    'as much as fits',
    'a quarter of the spool',
    '3 mm below the lip',
  ],
  amountsInYards: [
    '130 yd',
    '120 m',
    'half the pack',
    'what is left',
    'as much as fits',
    'a quarter of the spool',
    '1/8 in below the lip',
  ],
} as const;

/** Stands where the plan will be: how things can be said, so that nobody looks for the right form. */
@Component({
  selector: 'ys-ways-to-say',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="card grid content-start gap-5 p-6" aria-label="How it can be said">
      <div>
        <h2>The reel</h2>
        <p class="text-mute">
          Scan its tag, take one its owner has had here, or type what it is called: a kind the shop has seen
          brings its figures along.
        </p>
      </div>
      <div>
        <h2>What the spool says, as it is printed</h2>
        <p class="flex flex-wrap gap-2 pt-1.5">
          @for (one of sayings.prints; track one) {
            <span class="rounded-plate border border-line bg-paper px-2 py-0.5 font-bold">{{ one }}</span>
          }
        </p>
        <p class="pt-1.5 text-mute">Nothing printed? Lip, width and arbor by calliper do as well.</p>
      </div>
      <div>
        <h2>How much line</h2>
        <p class="flex flex-wrap gap-2 pt-1.5">
          @for (one of amounts(); track one) {
            <span class="rounded-plate border border-line bg-paper px-2 py-0.5 font-bold">{{ one }}</span>
          }
        </p>
        <p class="pt-1.5 text-mute">The plan stands here from the first line on, and follows each key.</p>
      </div>
    </section>
  `,
  host: { class: 'mt-4 block max-lg:hidden' },
})
export class WaysToSay {
  private readonly units = inject(UnitsService);

  protected readonly sayings = SAYINGS;
  protected readonly amounts = computed(() =>
    this.units.system() === 'metric' ? SAYINGS.amounts : SAYINGS.amountsInYards,
  );
}
