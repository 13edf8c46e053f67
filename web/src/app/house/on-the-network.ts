import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { api } from '@yard-spool/contract';
import qrcode from 'qrcode-generator';
import { ApiService } from '../data/api.service';
import { load } from '../data/loaded';

/** How another device of the shop comes in: the address as a code for a camera, and in words. */
@Component({
  selector: 'ys-on-the-network',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="card grid gap-2 px-4 py-3.5">
      <h2 class="text-[20px]">Another device</h2>
      @if (network.value(); as net) {
        @if (code(); as drawn) {
          <svg
            class="w-44 bg-white"
            role="img"
            [attr.viewBox]="'-4 -4 ' + (drawn.size + 8) + ' ' + (drawn.size + 8)"
            [attr.aria-label]="'Code for ' + net.addresses[0]"
            data-test="address-code"
          >
            <path class="fill-ink" [attr.d]="drawn.path" />
          </svg>
        }
        <p>Point a tablet’s camera at the code, or type one of these:</p>
        <ul>
          @for (address of net.addresses; track address) {
            <li class="font-bold break-all">{{ address }}</li>
          }
        </ul>
        <p class="text-[13px] text-mute">
          A device that does not know this shop’s certificate asks first. Accept it only where it shows this
          fingerprint:
          <span class="block font-bold break-all" data-test="fingerprint">{{ net.fingerprint }}</span>
        </p>
      } @else if (network.now().state === 'ready') {
        <p>
          This server answers this machine alone. To let tablets of the shop’s own network in, end it and
          start it with <b>npm start -- --lan</b>.
        </p>
      }
    </section>
  `,
  host: { class: 'block' },
})
export class OnTheNetwork {
  private readonly api = inject(ApiService);
  protected readonly network = load(() => this.api.call(api.readNetwork));

  /** The first address as a QR code (ISO/IEC 18004), as one path of unit squares. */
  protected readonly code = computed(() => {
    const [address] = this.network.value()?.addresses ?? [];
    if (address === undefined) return null;
    const code = qrcode(0, 'M');
    code.addData(address);
    code.make();
    const size = code.getModuleCount();
    const rows = Array.from({ length: size }, (_, row) =>
      Array.from({ length: size }, (__, column) =>
        code.isDark(row, column) ? `M${String(column)} ${String(row)}h1v1h-1z` : '',
      ).join(''),
    );
    return { size, path: rows.join('') };
  });
}
