import { vi } from 'vitest';
import { AGAIN_MS, keepScreens } from './keep-screens';

describe('screens that the browser keeps', () => {
  it.each([
    ['redundant', null, 2],
    ['redundant', {}, 1],
    ['activated', {}, 1],
  ])(
    'are fetched again where they could not be: %s, with %o before, asked %i times',
    async (state, active, times) => {
      vi.useFakeTimers();
      const installing = Object.assign(new EventTarget(), { state });
      const register = vi.fn(() => Promise.resolve({ installing, active }));
      keepScreens({ serviceWorker: { register } } as unknown as Navigator);
      await vi.advanceTimersByTimeAsync(0);
      installing.dispatchEvent(new Event('statechange'));
      await vi.advanceTimersByTimeAsync(AGAIN_MS);
      expect(register).toHaveBeenCalledTimes(times);
      vi.useRealTimers();
    },
  );
});
