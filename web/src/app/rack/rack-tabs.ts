import { ChangeDetectionStrategy, Component } from '@angular/core';
import { AreaTabs } from '../ui/area-tabs';

/** The parts of the rack, beside its title. */
@Component({
  selector: 'ys-rack-tabs',
  imports: [AreaTabs],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<ys-area-tabs name="Line rack" label="Parts of the rack" [parts]="parts" />`,
  host: { class: 'block' },
})
export class RackTabs {
  protected readonly parts = [
    { path: '/rack', name: 'Pieces' },
    { path: '/rack/cuts', name: 'Cuts' },
    { path: '/rack/tubs', name: 'Soak tubs' },
    { path: '/rack/recycling', name: 'Recycling' },
    { path: '/rack/count', name: 'Count' },
    { path: '/rack/order', name: 'What to order' },
    { path: '/rack/files', name: 'Import, export', below: true },
  ];
}
