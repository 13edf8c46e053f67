/** A field somebody types into. */
const TYPED = 'input:not([type=checkbox], [type=radio]), textarea, select, [contenteditable=true]';
/** Controls that are worked with Enter and Space. */
const PRESSED = 'button, a[href], summary, [role=button], [role=tab], [role=option], [role=menuitem]';
/** Controls that are worked with Space and the arrows. */
const CHOSEN = 'input[type=checkbox], input[type=radio]';

const within = (target: EventTarget | null, controls: string): boolean =>
  target instanceof HTMLElement && target.closest(controls) !== null;

/** Whether a key belongs to a field somebody types into, and not to the screen. */
export const isTyping = ({ target }: { readonly target: EventTarget | null }): boolean =>
  within(target, TYPED);

/**
 * Whether the control that has the focus needs a key for itself. A field keeps all that types, and lets Escape, F1 and
 * keys held with Ctrl or Alt go; a button or a link keeps Enter and Space; a box or a choice keeps Space and the arrows.
 *
 * @param name the key as `keyName` writes it
 */
export function isHeldBack(target: EventTarget | null, name: string): boolean {
  if (isTyping({ target })) return name !== 'Escape' && name !== 'F1' && !/^(Ctrl|Alt) /.test(name);
  if (within(target, PRESSED)) return name === 'Enter' || name === 'Space';
  return within(target, CHOSEN) && /^(Space|Arrow.*)$/.test(name);
}

/** A control that was pressed with a pointer and would keep Enter and Space from the screen after that. */
export const pressedControl = (target: EventTarget | null): HTMLElement | null =>
  target instanceof HTMLElement ? target.closest<HTMLElement>(PRESSED) : null;
