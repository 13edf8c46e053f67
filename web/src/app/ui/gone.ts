import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { Router, RouterLink } from '@angular/router';

/** Where to go on from an address with nothing at it, by what the address is of. */
const WAYS: Readonly<Record<string, readonly [address: string, words: string]>> = {
  bench: ['/bench', 'Go to the bench'],
  reels: ['/reels', 'Look for a reel or a customer'],
  rack: ['/rack', 'Go to the line rack'],
  house: ['/house', 'Go to the settings'],
};
const OTHERWISE = ['/bags', 'Go to the bags'] as const;

/** A page of something that is not there: says so, with the way on. */
@Component({
  selector: 'ys-gone',
  imports: [RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="p-8" data-test="gone">
      <h1>{{ words() }}</h1>
      <p class="mt-2">
        <a class="plain" [routerLink]="way[0]">{{ way[1] }}</a>
      </p>
    </div>
  `,
  host: { class: 'block' },
})
export class Gone {
  readonly words = input.required<string>();
  protected readonly way = WAYS[inject(Router).url.split(/[/?#]/)[1] ?? ''] ?? OTHERWISE;
}
