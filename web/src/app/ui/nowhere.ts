import { ChangeDetectionStrategy, Component } from '@angular/core';
import { RouterLink } from '@angular/router';

@Component({
  selector: 'ys-nowhere',
  imports: [RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="p-8">
      <h1>There is nothing at this address</h1>
      <p class="mt-2"><a class="underline font-bold" routerLink="/bags">Go to the bags</a></p>
    </div>
  `,
})
export class Nowhere {}
