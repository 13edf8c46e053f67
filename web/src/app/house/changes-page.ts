import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { api } from '@yard-spool/contract';
import { promisedText } from '../words/promised-text';
import { ApiService } from '../data/api.service';
import { UnitsService } from '../data/units.service';
import { load } from '../data/loaded';
import { LoadState } from '../ui/load-state';
import { HouseTabs } from './house-tabs';

/** Every change of the house, newest first: who, when, and what was before. */
@Component({
  selector: 'ys-changes-page',
  imports: [LoadState, HouseTabs],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="flex min-h-full flex-col gap-3 p-4 px-5">
      <ys-house-tabs />
      <ys-load-state what="the changes" [of]="changes.now()" (again)="changes.reload()" />
      @if (changes.value(); as all) {
        @if (all.length === 0) {
          <p class="card p-6">Nothing was changed yet: the shop is as it came.</p>
        } @else {
          <table class="card w-full text-left">
            <thead class="text-[13px] text-mute max-md:hidden">
              <tr>
                <th scope="col" class="px-4 py-2.5">When</th>
                <th scope="col" class="px-2">Who</th>
                <th scope="col" class="px-2">About</th>
                <th scope="col" class="px-2">Was</th>
                <th scope="col" class="px-2 pr-4">Is</th>
              </tr>
            </thead>
            <tbody>
              @for (one of all; track one.id) {
                <tr class="border-t border-line align-top max-md:grid max-md:px-4 max-md:py-2">
                  <td class="px-4 py-2.5 whitespace-nowrap max-md:p-0">{{ at(one.at) }}</td>
                  <td class="px-2 py-2.5 max-md:p-0">{{ one.by }}</td>
                  <td class="px-2 py-2.5 font-bold max-md:p-0">{{ one.about }}</td>
                  <td class="px-2 py-2.5 text-mute max-md:p-0">{{ units.say(one.was) || '—' }}</td>
                  <td class="px-2 py-2.5 pr-4 max-md:p-0">{{ units.say(one.is) || '—' }}</td>
                </tr>
              }
            </tbody>
          </table>
        }
      }
    </div>
  `,
  host: { class: 'block min-h-0 grow' },
})
export class ChangesPage {
  private readonly api = inject(ApiService);
  protected readonly units = inject(UnitsService);
  protected readonly changes = load(() => this.api.call(api.listHouseChanges));
  protected readonly at = (iso: string): string => promisedText(iso);
}
