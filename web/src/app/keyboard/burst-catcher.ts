/** Keys of one burst come closer together than this, ms; no hand types so fast for so long. */
const WITHIN = 40;
/** Shorter than this is no tag. */
const LEAST = 4;

/** A key held back until it is clear whether it belongs to a scanner's burst. */
interface Held {
  readonly key: string;
  readonly replay: () => void;
}

/**
 * Tells a keyboard-type scanner from a hand. A scanner types a tag faster than anybody and ends it with Enter; its keys
 * must never reach the shortcuts of a screen. Each key is therefore held back for a moment: followed by others at once it
 * is a burst, alone it is let through.
 */
export class BurstCatcher {
  private held: Held[] = [];
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(private readonly scanned: (text: string) => void) {}

  /** Takes a character; `replay` lets it through later if nobody scanned. */
  take(key: string, replay: () => void): void {
    this.held.push({ key, replay });
    clearTimeout(this.timer);
    this.timer = setTimeout(() => {
      this.letThrough();
    }, WITHIN);
  }

  /** Takes Enter. True where it ended a burst, which is then reported; false where it is just Enter. */
  enter(): boolean {
    if (this.held.length < LEAST) {
      this.letThrough();
      return false;
    }
    const text = this.held.map(({ key }) => key).join('');
    clearTimeout(this.timer);
    this.held = [];
    this.scanned(text);
    return true;
  }

  private letThrough(): void {
    clearTimeout(this.timer);
    const held = this.held;
    this.held = [];
    for (const { replay } of held) replay();
  }
}
