/** Typed text as LIKE finds it letter for letter: what LIKE would read as "anything" stands for itself. */
export const literally = (typed: string): string => typed.replace(/[\\%_]/g, '\\$&');
