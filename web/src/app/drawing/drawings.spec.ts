import { TestBed } from '@angular/core/testing';
import { darken, lighten, type LineStyle, type RuleStretch } from '@yard-spool/core';
import { LengthRule } from './length-rule';
import { SpoolSection } from './spool-section';

const LOOKS: readonly LineStyle[] = (
  ['nylon', 'fluorocarbon', 'braid', 'hollow-braid', 'salvage'] as const
).map((texture) => ({
  texture,
  tint: '#7f9a6b',
}));

describe('SpoolSection', () => {
  it('draws each layer, marks join and stop, and says it all in words', async () => {
    const fixture = TestBed.createComponent(SpoolSection);
    fixture.componentRef.setInput('view', {
      lipRadius: 23,
      width: 16.5,
      arborRadius: 13.3,
      layers: [
        { inner: 13.3, outer: 17, lineStyle: LOOKS[0], label: '79 m backing' },
        { inner: 17, outer: 21.5, lineStyle: LOOKS[2], label: '120 m main' },
      ],
      marks: [
        { kind: 'stop', depth: 1.5, text: '1.5 mm stop' },
        { kind: 'join', depth: 6, text: '6.0 mm join' },
      ],
    });
    await fixture.whenStable();
    const svg = (fixture.nativeElement as HTMLElement).querySelector('svg')!;
    expect(svg.getAttribute('aria-label')).toBe(
      'Spool cut open. 79 m backing; 120 m main; 1.5 mm stop; 6.0 mm join.',
    );
    expect(svg.textContent).toContain('120 m main');
    expect(svg.querySelectorAll('pattern')).toHaveLength(2);
  });
});

describe('LengthRule', () => {
  it('gives each stretch its share of the tape, and every texture its own strokes', async () => {
    const fixture = TestBed.createComponent(LengthRule);
    const stretches: RuleStretch[] = LOOKS.map((lineStyle, i) => ({
      metres: 10 * (i + 1),
      lineStyle,
      label: lineStyle.texture,
    }));
    fixture.componentRef.setInput('stretches', stretches);
    await fixture.whenStable();
    const element = fixture.nativeElement as HTMLElement;
    const widths = [...element.querySelectorAll('svg > rect')].map((bar) =>
      Number(bar.getAttribute('width')),
    );
    expect(widths[4]! / widths[0]!).toBeCloseTo(5, 3);
    const strokes = [...element.querySelectorAll('pattern')].map((pattern) =>
      pattern.innerHTML.replace(/<!--.*?-->/g, ''),
    );
    expect(new Set(strokes).size).toBe(LOOKS.length);
    expect(element.querySelector('svg')!.getAttribute('aria-label')).toContain('hollow-braid 40');
  });
});

describe('tints', () => {
  it('darken towards ink and lighten towards white', () => {
    expect([darken('#808080', 0.5), darken('#808080', 0), lighten('#808080', 1)]).toEqual([
      '#404040',
      '#808080',
      '#ffffff',
    ]);
  });
});
