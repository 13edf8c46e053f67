/** A reply that does not fit what was promised. Its message names places alone and may stand in the log. */
export class UnfitReply extends Error {
  readonly tellsNothingTyped = true;

  constructor(route: string, field: string) {
    super(`The reply of ${route} does not fit: ${field}`);
    this.name = 'UnfitReply';
  }
}
