import { record, type MutableState } from './mutable-state';
import type { RunEvent } from './run-event';

/** What each device that is called otherwise now is called, by the names it had. */
export type Called = Readonly<Record<string, string>>;

/** What a device is called now. */
export const calledNow = (called: Called, name: string): string => called[name] ?? name;

/**
 * An event with its device as that is called now: what a page saw of it under an old name, and sends once it can, is about
 * the same device.
 */
export function inNamesOfNow(event: RunEvent, called: Called): RunEvent {
  // The name it is given is its own, whoever had it before.
  if (event.kind === 'device-at' && event.payload.was !== undefined) return event;
  const { payload } = event as { readonly payload: Naming };
  const { device, seen } = payload;
  const isOld = (name: string | undefined): name is string =>
    name !== undefined && Object.hasOwn(called, name);
  if (!isOld(device) && !isOld(seen?.device)) return event;
  return {
    ...event,
    payload: {
      ...payload,
      ...(isOld(device) ? { device: calledNow(called, device) } : {}),
      ...(seen && isOld(seen.device) ? { seen: { ...seen, device: calledNow(called, seen.device) } } : {}),
    },
  } as RunEvent;
}

interface Naming {
  readonly device?: string;
  readonly seen?: { readonly device: string };
}

/** A device is called otherwise from here on: all that is known of it, and all that is open about it, goes on. */
export function renameDevice(state: MutableState, was: string, is: string): void {
  if (was === is) return;
  const of = [
    state.devices,
    state.creditedTo,
    state.worth,
    state.answeredAt,
    state.answeredIn,
    state.heldAt,
    state.unheard,
  ];
  for (const known of of as Record<string, unknown>[]) {
    if (!Object.hasOwn(known, was)) continue;
    known[is] = known[was];
    Reflect.deleteProperty(known, was);
  }
  if (state.counting.delete(was)) state.counting.add(is);
  const called = Object.entries(state.called).map(([old, now]) => [old, now === was ? is : now] as const);
  // A name that it had before and has again is its own.
  state.called = Object.assign(record<string>(), Object.fromEntries([...called, [was, is]]));
  Reflect.deleteProperty(state.called, is);
}
