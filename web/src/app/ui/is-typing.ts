/** Whether a key belongs to a field somebody types into, and not to the screen. */
export const isTyping = ({ target }: Event): boolean =>
  target instanceof HTMLElement &&
  target.matches('input:not([type=checkbox], [type=radio]), textarea, select');
