/** The demo's people. All invented; their passcodes are told on the demo's sign-in screen only. */
export const DEMO_PEOPLE = [
  { name: 'Tova', role: 'manager', passcode: 'eider-41' },
  { name: 'Joss', role: 'technician', passcode: 'plover-7' },
  { name: 'Pell', role: 'technician', passcode: 'knot-22' },
] as const;
