import { ChangeDetectionStrategy, Component, input, output, signal } from '@angular/core';
import type { Comeback } from '@yard-spool/contract';
import { toldWords } from '@yard-spool/core';
import { RouterLink } from '@angular/router';
import { ComebackForm } from './comeback-form';
import { DidItHelp, isToBeAsked } from './did-it-help';
import { dayText } from '../ui/day-text';
import { CAUSE_WORDS, complaintWords, faultWords } from '../words/comeback-words';

/** What came back of one fill, each with what was seen, found and done, and a way to go on with it. */
@Component({
  selector: 'ys-came-back',
  imports: [ComebackForm, DidItHelp, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (one of comebacks(); track one.id) {
      @if (open() === one.id) {
        <ys-comeback-form
          [fillId]="one.fillId"
          [comeback]="one"
          (done)="open.set(null); changed.emit()"
          (left)="open.set(null)"
        />
      } @else {
        <section
          class="card grid gap-1 px-3.5 py-3"
          [class.bg-look]="one.cause === null"
          data-test="came-back"
        >
          <h2>Came back {{ day(one.at) }}: {{ complaints(one.complaint) }}</h2>
          @if (one.saw) {
            <p>“{{ one.saw }}”</p>
          }
          <p class="text-mute">
            {{
              one.cause
                ? 'It came down to ' + causes[one.cause] + faultOf(one) + '.'
                : 'What was found is not written down yet.'
            }}
            {{ one.found }}
          </p>
          @if (one.did) {
            <p>{{ one.did }}</p>
          }
          @if (one.fault) {
            <p class="text-mute">To the customer: “{{ told(one.fault) }}”</p>
          }
          @if (one.worked !== null) {
            <p>{{ one.worked ? 'It helped.' : 'It did not help.' }}</p>
          }
          @if (asked(one)) {
            <ys-did-it-help [comeback]="one" (told)="changed.emit()" />
          }
          <a
            class="plain"
            routerLink="/reels/fault"
            [queryParams]="{ tag: one.tag, fill: one.fillId, comeback: one.id }"
            >Go through the causes</a
          >
          <button type="button" class="plain" (click)="open.set(one.id)">
            {{ one.cause ? 'Change it' : 'Write down what was found' }}
          </button>
        </section>
      }
    }
  `,
  host: { class: 'grid gap-3 empty:hidden' },
})
export class CameBack {
  readonly comebacks = input.required<readonly Comeback[]>();
  readonly changed = output();

  protected readonly open = signal<number | null>(null);
  protected readonly complaints = complaintWords;
  protected readonly causes = CAUSE_WORDS;
  protected readonly day = dayText;
  protected readonly asked = isToBeAsked;
  protected readonly told = toldWords;
  protected readonly faultOf = faultWords;
}
