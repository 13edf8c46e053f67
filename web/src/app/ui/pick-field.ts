import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  input,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import type { FormControl } from '@angular/forms';
import { toSignalOf } from './control-signal';
import { beginnings, finder } from './finds';
import { SuggestField, type Suggestion } from './suggest-field';
import { text } from './text-control';

/** One that can be chosen. */
export interface PickOption {
  readonly value: string;
  readonly name: string;
  /** What is said beside it, like how much of it is free. */
  readonly beside?: string;
  /** Other words it is found by. */
  readonly find?: string;
}

/** Shown at once; more are found by typing more. */
const MOST = 60;
/** Fields so far: each has an id of its own. */
let fields = 0;

/** One of a list that is searched by typing any of its words; what it holds stays until another one is chosen. */
@Component({
  selector: 'ys-pick-field',
  imports: [SuggestField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ys-suggest-field
      #field
      [fieldId]="id"
      [label]="label()"
      [placeholder]="placeholder()"
      [control]="words"
      [options]="shown"
      [picks]="true"
      [more]="more()"
      (chosen)="choose($event)"
      (typed)="typing.set(words.value)"
      (left)="leave()"
    />
    @if (problem() || told(); as sentence) {
      <p class="pt-1 text-[13px] font-bold text-stop" role="alert">{{ sentence }}</p>
    }
  `,
  host: { class: 'block min-w-0' },
})
export class PickField {
  readonly control = input.required<FormControl<string>>();
  readonly label = input.required<string>();
  readonly options = input.required<readonly PickOption[]>();
  readonly placeholder = input('');
  readonly problem = input('');
  /** Whether an emptied field holds nothing; otherwise it stays as it was. */
  readonly mayBeEmpty = input(false);

  protected readonly id = `pick-${String((fields += 1))}`;
  private readonly field = viewChild.required<SuggestField>('field');
  /** What stands in the field. */
  protected readonly words = text();
  /** What is being searched for; null while nobody types. */
  protected readonly typing = signal<string | null>(null);
  protected readonly told = signal('');
  private readonly value = toSignalOf(this.control);
  private readonly held = computed(() => this.options().find(({ value }) => value === this.value()));
  private readonly searched = computed(() =>
    this.options().map((option) => ({ option, begun: beginnings(`${option.name} ${option.find ?? ''}`) })),
  );
  private readonly found = computed(() => {
    const typed = this.typing()?.trim() ?? '';
    if (typed === '') return this.options();
    const isMeant = finder(typed);
    return this.searched().flatMap(({ option, begun }) => (isMeant(begun) ? [option] : []));
  });
  protected readonly shown = computed(() =>
    this.found()
      .slice(0, MOST)
      .map(({ value, name, beside }): Suggestion => ({ id: value, name, beside: beside ?? '' })),
  );
  protected readonly more = computed(() => {
    if (this.options().length === 0) return '';
    if (this.typing()?.trim() && this.found().length === 0) return 'Nothing is called that.';
    const rest = this.found().length - MOST;
    return rest > 0 ? `and ${String(rest)} more: type more of it` : '';
  });

  constructor() {
    effect(() => {
      const name = this.held()?.name ?? '';
      if (untracked(this.typing) !== null) return;
      this.words.setValue(name);
      // Whoever was in the field before this came types in place of it, and not behind it.
      const at = document.activeElement;
      if (at instanceof HTMLInputElement && at.id === this.id) at.select();
    });
  }

  focus(): void {
    this.field().focus();
  }

  protected choose({ id }: Suggestion): void {
    this.typing.set(null);
    this.told.set('');
    this.control().setValue(String(id));
    this.control().markAsDirty();
    this.words.setValue(this.held()?.name ?? '');
  }

  /** The only one that was found is meant; with none or several it stays as it was, and that is said. */
  protected leave(): void {
    const typed = this.typing();
    if (typed === null) return;
    const exact = this.found().filter(({ name }) => name.toLowerCase() === typed.trim().toLowerCase());
    const [only, ...others] = exact.length === 1 ? exact : this.found();
    if (typed.trim() === '') this.choose({ id: this.mayBeEmpty() ? '' : this.value(), name: '', beside: '' });
    else if (only && others.length === 0) this.choose({ id: only.value, name: only.name, beside: '' });
    else {
      const how = only ? 'could be several' : 'is none of them';
      this.told.set(`“${typed.trim()}” ${how}: choose one from the list.`);
      this.typing.set(null);
      this.words.setValue(this.held()?.name ?? '');
    }
  }
}
