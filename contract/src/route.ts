import type { GenericSchema } from 'valibot';

/** What a request to a route carries, and what comes back. Each part is checked at both ends. */
export interface RouteParts {
  readonly params?: GenericSchema;
  readonly query?: GenericSchema;
  readonly body?: GenericSchema;
  readonly reply: GenericSchema;
}

/** One line of the API. Paths are below `/api`, parameters written `:name`. */
export interface Route<Parts extends RouteParts = RouteParts> {
  readonly method: 'GET' | 'POST' | 'PUT' | 'DELETE';
  readonly path: string;
  readonly parts: Parts;
}

export const route = <const Parts extends RouteParts>(
  method: Route['method'],
  path: string,
  parts: Parts,
): Route<Parts> => ({
  method,
  path,
  parts,
});

/**
 * Tells whether a request, or a route of the contract, is one of some: by its method and its path, as the contract writes it
 * or as it is asked.
 */
export function isOneOf(
  routes: readonly (readonly [method: Route['method'], path: string])[],
): (asked: { readonly method: string; readonly path: string }) => boolean {
  const forms = routes.map(
    ([method, path]) => [method, new RegExp(`^${path.replaceAll(/:\w+/g, '[^/]+')}$`)] as const,
  );
  return (asked) => forms.some(([method, form]) => asked.method === method && form.test(asked.path));
}
