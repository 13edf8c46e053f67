import { ChangeDetectionStrategy, Component } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { Choice } from './choice';
import { text } from './text-control';

const OPTIONS = ['clockwise', 'anticlockwise'].map((value) => ({ value, name: value }));

@Component({
  selector: 'ys-two-bars',
  imports: [Choice],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ys-choice label="Supply" [control]="supply" [options]="options" />
    <ys-choice label="Rotor" [control]="rotor" [options]="options" />
  `,
})
class TwoBars {
  readonly supply = text();
  readonly rotor = text();
  readonly options = OPTIONS;
}

describe('two choice bars on one page', () => {
  it('keep to themselves, whichever is chosen first and last', () => {
    const fixture = TestBed.createComponent(TwoBars);
    fixture.detectChanges();
    const bars = [...(fixture.nativeElement as HTMLElement).querySelectorAll('fieldset')];
    const choose = (bar: number, option: number): void => {
      bars[bar]?.querySelectorAll('input')[option]?.click();
      fixture.detectChanges();
    };
    const shown = (): (string | undefined)[] =>
      bars.map((bar) => {
        const at = [...bar.querySelectorAll('input')].findIndex(({ checked }) => checked);
        return OPTIONS[at]?.value;
      });
    choose(1, 0);
    choose(0, 1);
    expect(shown()).toEqual(['anticlockwise', 'clockwise']);
    choose(0, 0);
    choose(1, 1);
    expect(shown()).toEqual(['clockwise', 'anticlockwise']);
    const { supply, rotor } = fixture.componentInstance;
    expect([supply.value, rotor.value]).toEqual(['clockwise', 'anticlockwise']);
  });
});
