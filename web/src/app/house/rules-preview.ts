import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import type { Preview, PreviewReel } from '@yard-spool/contract';
import { UnitsService } from '../data/units.service';
import { promisedText } from '../words/promised-text';
import { QUESTION_NAMES } from '../words/question-names';

/** What other rules would change on the reels that wait, one after another as they are promised. */
@Component({
  selector: 'ys-rules-preview',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 class="border-b border-line px-3.5 py-2.5">What this changes</h2>
    @if (!anything()) {
      <p class="px-3.5 py-3 text-mute">
        Choose another option: every waiting reel it changes is listed here before anything is saved.
      </p>
    } @else if (preview(); as preview) {
      @for (reel of preview.reels; track reel.jobId) {
        <div class="border-b border-line px-3.5 py-2.5 text-[14px]" data-test="preview-reel">
          <p class="flex justify-between gap-2">
            <b>{{ reel.tag }}, bag {{ reel.bagNumber }}</b
            ><span class="whitespace-nowrap text-mute">{{ promised(reel.promisedAt) }}</span>
          </p>
          <p class="truncate text-[13px] text-mute" [title]="reel.label + ', ' + reel.customer">
            {{ reel.label }}, {{ reel.customer }}
          </p>
          @if (planWords(reel); as words) {
            <p class="pt-1 font-bold">{{ words }}</p>
          }
          @if (reel.stays) {
            <p class="look mt-1 px-2 py-1 font-semibold">Stays as planned: {{ units.say(reel.stays) }}</p>
          }
          @for (one of reel.advice; track one.question) {
            <p class="pt-1">
              <b>{{ names[one.question] }}:</b> {{ units.say(one.is) || 'does not arise' }}
              @if (one.was) {
                <span class="block text-[13px] text-mute line-through decoration-1">{{
                  units.say(one.was)
                }}</span>
              }
            </p>
          }
        </div>
      } @empty {
        <p class="px-3.5 py-3">No waiting reel changes.</p>
      }
      <p class="px-3.5 py-2.5 text-[13px] text-mute">
        {{ preview.unchanged }} waiting {{ preview.unchanged === 1 ? 'reel stays' : 'reels stay' }} as they
        are. {{ preview.onTheBench }} on a bench {{ preview.onTheBench === 1 ? 'keeps' : 'keep' }} the rules
        they began under.
      </p>
    } @else {
      <p class="px-3.5 py-3 text-mute" aria-live="polite">Working out what changes…</p>
    }
  `,
  host: {
    class: 'card block overflow-y-auto',
    tabindex: '0',
    role: 'region',
    'aria-label': 'What this changes',
  },
})
export class RulesPreview {
  protected readonly units = inject(UnitsService);

  readonly preview = input.required<Preview | null>();
  /** Whether anything is thought of at all. */
  readonly anything = input.required<boolean>();

  protected readonly names = QUESTION_NAMES;
  protected readonly promised = promisedText;

  protected planWords({ plan }: PreviewReel): string {
    if (!plan) return '';
    const { gap, layers } = plan;
    const moved = layers
      .filter(({ was, is }) => Math.abs(was - is) > 0.05)
      .map(({ role, was, is }) => `${role} ${this.units.length(was)} → ${this.units.length(is)}`);
    return [`Gap ${this.units.small(gap.was)} → ${this.units.small(gap.is)}`, ...moved].join(', ');
  }
}
