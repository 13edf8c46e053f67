import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { FormGroup, ReactiveFormsModule } from '@angular/forms';
import { api, type Bag, type Job } from '@yard-spool/contract';
import { ApiService } from '../data/api.service';
import { Undo } from '../ui/undo.service';
import { FormEnd } from '../ui/form-end';
import { Sending } from '../ui/sending';
import { text } from '../ui/text-control';
import { TextField } from '../ui/text-field';
import { typedValue } from '../ui/typed-value';

/** Cancelling a reel, or the whole bag; what was promised to it is free again. */
@Component({
  selector: 'ys-call-off',
  imports: [FormEnd, ReactiveFormsModule, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form class="card grid gap-2.5 p-3.5" [formGroup]="form" (submit)="$event.preventDefault(); callOff()">
      <h2>{{ job() ? 'Cancel ' + job()?.tag : 'Cancel the whole bag' }}</h2>
      <p class="text-mute">The line promised to it is free again.</p>
      <ys-text-field label="Why" [control]="form.controls.why" />
      <ys-form-end
        [action]="job() ? 'Cancel this reel' : 'Cancel the bag'"
        leaving="Keep it"
        [sending]="sending"
        [missing]="missing()"
        (left)="left.emit()"
      />
    </form>
  `,
})
export class CallOff {
  private readonly api = inject(ApiService);
  private readonly undo = inject(Undo);

  readonly bag = input.required<Bag>();
  /** One reel of it; the whole bag where none is given. */
  readonly job = input<Job | null>(null);
  readonly done = output();
  readonly left = output();

  protected readonly sending = new Sending();
  protected readonly form = new FormGroup({ why: text() });
  private readonly typed = typedValue(this.form);
  protected readonly missing = computed(() => (this.typed().why.trim() === '' ? 'Enter a reason.' : ''));

  protected callOff(): void {
    if (this.missing() !== '') return;
    const { number, version } = this.bag();
    const body = { version, why: this.form.controls.why.value };
    const job = this.job();
    const ask = job
      ? this.api.call(api.cancelJob, { params: { id: job.id }, body })
      : this.api.call(api.cancelBag, { params: { number }, body });
    const jobs = (job ? [job] : this.bag().jobs).filter(({ state }) => state === 'booked');
    this.sending.send(ask, (bag) => {
      this.done.emit();
      // Own line goes back with the last reel of its bag: that is not undone by a press.
      if (bag.brought.some(({ back }) => back)) return;
      this.undo.tell({
        words: job ? `${job.tag} is cancelled.` : `Bag ${String(number)} is cancelled.`,
        back: () =>
          this.api.call(api.restoreJobs, {
            params: { number },
            body: { version: bag.version, jobs: jobs.map(({ id }) => id) },
          }),
      });
    });
  }
}
