import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { ReactiveFormsModule, type FormControl } from '@angular/forms';
import { MESSAGE_KINDS, type MessageKind } from '@yard-spool/contract';
import { MESSAGE_WORDS, USUAL_WORDINGS } from '@yard-spool/core';

const NAMES: Readonly<Record<MessageKind, string>> = {
  ready: 'When a bag is ready',
  due: 'When line is due',
  waits: 'When line is not in stock',
};

/** What customers are written, in the house's own words; the usual stand there until somebody types others. */
@Component({
  selector: 'ys-wordings-fields',
  imports: [ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (kind of kinds; track kind) {
      <label class="block">
        <span class="caption block pb-0.5">{{ names[kind] }}</span>
        <textarea
          class="entry min-h-28"
          rows="4"
          [formControl]="controls()[kind]"
          [placeholder]="usual[kind]"
        ></textarea>
      </label>
      <p class="-mt-1 text-[13px] text-mute">Filled in: {{ filledIn(kind) }}. Empty for the usual words.</p>
      @if (problem()(kind); as sentence) {
        <p class="text-[13px] font-bold text-stop">{{ sentence }}</p>
      }
    }
  `,
  host: { class: 'grid gap-2' },
})
export class WordingsFields {
  readonly controls = input.required<Readonly<Record<MessageKind, FormControl<string>>>>();
  readonly problem = input.required<(kind: MessageKind) => string>();

  protected readonly kinds = MESSAGE_KINDS;
  protected readonly names = NAMES;
  protected readonly usual = USUAL_WORDINGS;
  protected readonly filledIn = (kind: MessageKind): string =>
    MESSAGE_WORDS[kind].map((word) => `{${word}}`).join(' ');
}
