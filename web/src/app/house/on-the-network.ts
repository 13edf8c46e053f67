import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { api } from '@yard-spool/contract';
import qrcode from 'qrcode-generator';
import { ApiService } from '../data/api.service';
import { load } from '../data/loaded';

/** An address as a QR code (ISO/IEC 18004). */
@Component({
  selector: 'ys-address-code',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg
      class="w-44 bg-white"
      role="img"
      [attr.viewBox]="'-4 -4 ' + (drawn().size + 8) + ' ' + (drawn().size + 8)"
      [attr.aria-label]="'Code for ' + address()"
      data-test="address-code"
    >
      <path class="fill-ink" [attr.d]="drawn().path" />
    </svg>
  `,
  host: { class: 'block' },
})
export class AddressCode {
  readonly address = input.required<string>();

  /** As one path of unit squares. */
  protected readonly drawn = computed(() => {
    const code = qrcode(0, 'M');
    code.addData(this.address());
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

/** How another device of the shop comes in: the certificate it installs once, and the address, as codes for a camera. */
@Component({
  selector: 'ys-on-the-network',
  imports: [AddressCode],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="card grid gap-2 px-4 py-3.5">
      <h2 class="text-[20px]">Another device</h2>
      @if (network.value(); as net) {
        @if (net.certificateAt; as certificate) {
          <h3 class="font-bold">1. Once for each device: install the shop’s certificate</h3>
          <div class="flex flex-wrap items-start gap-3">
            <ys-address-code [address]="certificate" />
            <div class="grid min-w-52 flex-1 gap-2">
              <p>
                Point its camera at this code, or type <b class="break-all">{{ certificate }}</b>, and follow
                the steps there. Install it only where it shows this fingerprint:
              </p>
              <p class="font-bold" data-test="fingerprint">
                @for (part of parts(net.fingerprint); track $index) {
                  <span class="inline-block">{{ part }}</span>
                }
              </p>
              <p class="text-[13px] text-mute" data-test="without-certificate">
                Without it the device warns each time, and keeps no screens: while the server is away it shows
                nothing.
              </p>
            </div>
          </div>
          <h3 class="border-t border-line pt-3 font-bold">2. Open the shop</h3>
        }
        @if (net.addresses[0]; as address) {
          <ys-address-code [address]="address" />
        }
        <p>Point a tablet’s camera at the code, or type one of these:</p>
        <ul>
          @for (address of net.addresses; track address) {
            <li class="font-bold break-all">{{ address }}</li>
          }
        </ul>
        @if (!net.certificateAt) {
          <p class="text-[13px] text-mute">
            The certificate was given by whoever started the shop. A device that does not know it asks first.
            Accept it only where it shows this fingerprint; until it is known for good, no screens are kept
            for when the server is away:
            <span class="block font-bold" data-test="fingerprint">
              @for (part of parts(net.fingerprint); track $index) {
                <span class="inline-block">{{ part }}</span>
              }
            </span>
          </p>
        }
      } @else if (network.now().state === 'ready') {
        <p>
          This server answers this computer alone. To let tablets of the shop’s own network in, end it and
          start it with <b>npm start -- --lan</b>.
        </p>
      }
    </section>
  `,
  host: { class: 'block' },
})
export class OnTheNetwork {
  private readonly api = inject(ApiService);
  /** A fingerprint in parts that are not broken: eight bytes are held against eight. */
  protected readonly parts = (fingerprint: string): string[] => fingerprint.match(/(?:\w+:?){1,8}/g) ?? [];
  protected readonly network = load(() => this.api.call(api.readNetwork));
}
