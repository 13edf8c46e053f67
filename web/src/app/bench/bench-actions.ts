import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';

/** One thing to do at the bench, with the key that does it. */
export interface BenchAction {
  readonly key: string;
  readonly name: string;
  readonly main?: boolean;
  /** Drawn back: not the thing to do yet. */
  readonly quiet?: boolean;
}

/** Up to five big actions below the bench. */
@Component({
  selector: 'ys-bench-actions',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (action of actions(); track action.key) {
      <button
        type="button"
        class="flex min-h-18 grow basis-0 flex-col items-center justify-center gap-1.5 rounded-plate border px-2 text-[19px] font-bold max-md:min-h-14 max-md:basis-[21%] max-md:text-[14px] max-md:leading-tight"
        [class]="
          action.main
            ? 'grow-2 border-ink bg-ink text-[26px] text-oil max-md:basis-full max-md:text-[22px]'
            : 'border-edge bg-card'
        "
        [attr.data-act]="action.key"
        [class.text-mute]="action.quiet"
        (click)="press($event, action.key)"
      >
        {{ action.name }}<span class="key text-[13px] max-md:hidden">{{ action.key }}</span>
      </button>
    }
  `,
  host: { class: 'flex flex-wrap gap-3 max-md:gap-1.5 max-md:bg-paper max-md:py-2' },
})
export class BenchActions {
  readonly actions = input.required<readonly BenchAction[]>();
  readonly act = output<string>();

  /** Lets go of the focus, so that the next key acts on the run. */
  protected press(event: Event, key: string): void {
    (event.currentTarget as HTMLElement).blur();
    this.act.emit(key);
  }
}
