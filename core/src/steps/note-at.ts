/** A note of a step as it is spoken of in one word, `step.field`, taken apart: a step's own id may hold no dot. */
export function noteAt(about: string): readonly [step: string, field: string] {
  const dot = about.lastIndexOf('.');
  return [about.slice(0, dot), about.slice(dot + 1)];
}
