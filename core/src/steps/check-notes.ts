import { isWithin } from '../numeric/bounded';
import { stepId, type RunFacts, type StepKind } from './run-facts';
import { STEPS } from './catalogue';
import type { NoteValue, StepField } from './step-field';

/** The step an id stands for in a fill; null for one no fill like it has. */
export function kindOfStep(id: string, { request }: Pick<RunFacts, 'request'>): StepKind | null {
  const kinds = Object.keys(STEPS) as StepKind[];
  const layers = [undefined, ...request.layers.map((layer) => layer.id)];
  return kinds.find((kind) => layers.some((layer) => stepId(kind, layer) === id)) ?? null;
}

/**
 * What is wrong with what is written down at a step; empty where nothing is. What is written there becomes weights in the
 * bins and lengths on the rack once the reel is closed.
 */
export function noteProblem(kind: StepKind, values: Readonly<Record<string, NoteValue>>): string {
  const fields = STEPS[kind].fields ?? [];
  for (const [key, value] of Object.entries(values)) {
    const field = fields.find((one) => one.key === key);
    if (!field) return `Nothing called "${key}" is written down at this step.`;
    if (!fits(field, value)) return `${field.label}: ${said(field)}`;
  }
  return '';
}

function fits(field: StepField, value: NoteValue): boolean {
  switch (field.kind) {
    case 'quantity':
      return (
        typeof value === 'number' &&
        isWithin(value, field.allowed.min ?? -Infinity, field.allowed.max ?? Infinity)
      );
    case 'check':
      return typeof value === 'boolean';
    case 'choice':
      return field.options.some((option) => option.value === value);
    default:
      return typeof value === 'string';
  }
}

const said = (field: StepField): string =>
  field.kind === 'quantity'
    ? `from ${String(field.allowed.min ?? 0)} to ${String(field.allowed.max ?? 'any')}.`
    : field.kind === 'choice'
      ? 'choose one of those there are.'
      : 'this cannot be written down here.';
