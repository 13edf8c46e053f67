import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { api, files, type Calendar } from '@yard-spool/contract';
import { ApiService } from '../data/api.service';
import { load } from '../data/loaded';
import { SessionService } from '../data/session.service';
import { saveFile } from '../data/file-bytes';
import { LoadState } from '../ui/load-state';
import { SureButton } from '../ui/sure-button';
import { Sending } from '../ui/sending';
import { dayText } from '../ui/day-text';
import { HouseTabs } from './house-tabs';

/** The whole shop as a file, and the calendar that others subscribe to. */
@Component({
  selector: 'ys-files-and-calendar',
  imports: [HouseTabs, LoadState, SureButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './files-and-calendar.html',
  host: { class: 'block p-4 px-5' },
})
export class FilesAndCalendar {
  private readonly api = inject(ApiService);
  private readonly session = inject(SessionService);

  protected readonly mayChange = computed(() => this.session.person()?.role === 'manager');
  protected readonly calendar = load<Calendar>(() => this.api.call(api.readCalendar));
  protected readonly made = signal<string | null>(null);
  protected readonly copied = signal(false);
  protected readonly sending = new Sending();
  protected readonly out = new Sending();
  protected readonly day = dayText;

  protected exportShop(): void {
    this.out.send(this.api.file(files.shop.path, {}), saveFile);
  }

  protected makeAddress(): void {
    this.sending.send(this.api.call(api.makeCalendar, { body: {} }), ({ path }) => {
      this.made.set(path === null ? null : `${location.origin}${path}`);
      this.copied.set(false);
      this.calendar.reload();
    });
  }

  protected endAddress(): void {
    this.sending.send(this.api.call(api.endCalendar), () => {
      this.made.set(null);
      this.calendar.reload();
    });
  }

  protected copy(address: string): void {
    void navigator.clipboard.writeText(address).then(() => this.copied.set(true));
  }
}
