import { TestBed } from '@angular/core/testing';
import { UNIT_NAMES, UnitsService } from './units.service';
import { message } from '@yard-spool/core';

const units = (): UnitsService => TestBed.inject(UnitsService);

describe('the units a person reads', () => {
  beforeEach(() => {
    localStorage.clear();
  });
  afterEach(() => {
    localStorage.clear();
  });

  it('go round all there are, and are the same after the next start', () => {
    const seen = [units().system()];
    for (let i = 0; i < 3; i += 1) {
      units().switch();
      seen.push(units().system());
    }
    expect(seen).toEqual(['metric', 'imperial', 'thousandths', 'metric']);
    units().switch();
    TestBed.resetTestingModule();
    expect(units().system()).toBe('imperial');
    expect(new Set(Object.values(UNIT_NAMES)).size).toBe(3);
  });

  it('an inch is told in one notation, in a figure, a spread, a sentence and an example', () => {
    units().beginWith('imperial');
    expect(units().small(42.07)).toBe('1\u00a021/32\u00a0in');
    expect(units().spread(42.07, 3.33)).toBe('1\u00a021/32 ± 1/8\u00a0in');
    const proud = message('plan.proud', { proud: { mm: 3.175 } });
    expect(units().say(proud)).toBe('This stands 1/8\u00a0in proud of the lip. Line will fall off in loops.');
    expect(units().say('Call at 5 m, 3.175 mm')).toBe('Call at 5 m, 3.175 mm');
    expect(units().like('3 mm', '1/8 in')).toBe('1/8 in');
  });

  it('in thousandths, where those were chosen; the shop’s own never overrule a person’s', () => {
    units().beginWith('thousandths');
    expect(units().small(42.07)).toBe('1.656\u00a0in');
    expect(units().spread(42.07, 3.33)).toBe('1.66 ± 0.13\u00a0in');
    units().switch();
    units().beginWith('imperial');
    expect(units().system()).toBe('metric');
  });
});
