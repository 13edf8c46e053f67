import { ChangeDetectionStrategy, Component } from '@angular/core';
import { AreaTabs } from '../ui/area-tabs';

/** The parts of the record, beside its title. */
@Component({
  selector: 'ys-reels-tabs',
  imports: [AreaTabs],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<ys-area-tabs name="Reels" label="Parts of the record" [parts]="parts" />`,
  host: { class: 'block' },
})
export class ReelsTabs {
  protected readonly parts = [
    { path: '/reels', name: 'All reels' },
    { path: '/reels/due', name: 'Due' },
    { path: '/reels/comebacks', name: 'Came back' },
    { path: '/reels/book', name: 'Reel book' },
  ];
}
