import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Piece } from '@yard-spool/contract';
import { promisedText } from '../words/promised-text';

/** Says, beside waves, that a piece is in the water or still wet; nothing for a dry one. */
@Component({
  selector: 'ys-water-mark',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (words(); as text) {
      <svg
        width="22"
        height="10"
        viewBox="0 0 22 10"
        class="mr-1 inline-block align-baseline"
        aria-hidden="true"
      >
        <path
          d="M0 3q2.75-3 5.5 0t5.5 0 5.5 0 5.5 0M0 8q2.75-3 5.5 0t5.5 0 5.5 0 5.5 0"
          fill="none"
          class="stroke-ink"
          stroke-width="1.5"
        /></svg
      >{{ text }}
    }
  `,
})
export class WaterMark {
  readonly piece = input.required<Pick<Piece, 'soaking' | 'wetUntil'>>();
  protected readonly words = computed(() => {
    const { soaking, wetUntil } = this.piece();
    if (soaking) return `in ${soaking.tub}, ready ${promisedText(soaking.readyAt)}`;
    return wetUntil ? `wet until ${promisedText(wetUntil)}` : '';
  });
}
