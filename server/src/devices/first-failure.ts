/** Tells of the first of what fails in a row: what is tried again with every line that is heard would fill a log. */
export class FirstFailure {
  private failing = false;

  constructor(private readonly tell: (error: unknown) => void) {}

  readonly failed = (error: unknown): void => {
    if (!this.failing) this.tell(error);
    this.failing = true;
  };

  readonly worked = (): void => void (this.failing = false);
}
