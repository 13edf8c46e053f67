import { ChangeDetectionStrategy, Component } from '@angular/core';
import { AreaTabs } from '../ui/area-tabs';

/** The parts of the counter's work, beside its title. */
@Component({
  selector: 'ys-bags-tabs',
  imports: [AreaTabs],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<ys-area-tabs name="Bags" label="Parts of the counter’s work" [parts]="parts"
    ><ng-content
  /></ys-area-tabs>`,
  host: { class: 'block min-w-0 grow' },
})
export class BagsTabs {
  protected readonly parts = [
    { path: '/bags', name: 'All bags' },
    { path: '/bags/messages', name: 'Messages' },
  ];
}
