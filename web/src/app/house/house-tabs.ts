import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { SessionService } from '../data/session.service';
import { AreaTabs } from '../ui/area-tabs';

/** The parts of what the house settles, beside its title; whoever may not change them is told so. */
@Component({
  selector: 'ys-house-tabs',
  imports: [AreaTabs],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ys-area-tabs name="Settings" label="Parts of the settings" [parts]="parts">
      @if (!mayChange()) {
        <p class="look ml-auto px-2.5 py-1 text-[13px] font-semibold">Only a manager changes these.</p>
      }
    </ys-area-tabs>
  `,
  host: { class: 'block' },
})
export class HouseTabs {
  private readonly session = inject(SessionService);
  protected readonly mayChange = computed(() => this.session.person()?.role === 'manager');
  protected readonly parts = [
    { path: '/house/rules', name: 'Shop rules', below: true },
    { path: '/house/exceptions', name: 'Exceptions' },
    { path: '/house/benches', name: 'Benches and tubs' },
    { path: '/house/people', name: 'People' },
    { path: '/house/access', name: 'Access' },
    { path: '/house/shop', name: 'Shop' },
    { path: '/house/cautions', name: 'Cautions' },
    { path: '/house/files', name: 'Files and calendar' },
    { path: '/house/changes', name: 'Changes' },
  ];
}
