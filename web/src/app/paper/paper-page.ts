import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { api, files, LABELS, PAPERS, type Label, type Paper } from '@yard-spool/contract';
import { ApiService, type ArrivedFile } from '../data/api.service';
import { HouseService } from '../data/house.service';
import { loadFor } from '../data/loaded';
import { UnitsService } from '../data/units.service';
import { saveFile } from '../data/file-bytes';
import { Choice } from '../ui/choice';
import { Gone } from '../ui/gone';
import { LoadState } from '../ui/load-state';
import { Sending } from '../ui/sending';
import { text } from '../ui/text-control';
import { pageOf, papersLike, PAPER_NAMES } from './paper-names';

/** A paper before it is printed: its pages as they will come out, and where it goes. */
@Component({
  selector: 'ys-paper-page',
  imports: [Choice, Gone, LoadState, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './paper-page.html',
  host: { class: 'block min-h-0 grow' },
})
export class PaperPage {
  private readonly api = inject(ApiService);
  private readonly units = inject(UnitsService);
  private readonly house = inject(HouseService);

  /** From the address. */
  readonly what = input.required<Paper, string>({ transform: paperNamed });
  readonly of = input.required<string>();

  protected readonly names = PAPER_NAMES;
  protected readonly label = text('middle');
  protected readonly labels = Object.entries(LABELS).map(([value, { widthMm, heightMm }]) => ({
    value,
    name: `${String(widthMm)} × ${String(heightMm)} mm`,
  }));
  private readonly chosen = signal<Label>('middle');
  private readonly query = computed(() => ({
    what: this.what(),
    of: this.of(),
    label: this.chosen(),
    units: this.units.system(),
  }));
  protected readonly preview = loadFor(this.query, (query) => this.api.call(api.previewPaper, { query }));
  /** What the paper is of is not there: the sentence that says so. */
  protected readonly gone = computed(() => {
    const now = this.preview.now();
    return now.state === 'failed' && now.gone ? now.sentence : '';
  });
  protected readonly others = computed(() => papersLike(this.what(), this.of()));
  protected readonly subject = computed(() => pageOf(this.what(), this.of()));
  protected readonly printer = computed(() => this.house.house()?.printer ?? '');
  protected readonly sending = new Sending();
  protected readonly done = signal('');

  constructor() {
    this.label.valueChanges.subscribe((label) => {
      this.chosen.set(label as Label);
      this.done.set('');
    });
  }

  protected print(): void {
    this.done.set('');
    this.sending.send(this.api.call(api.printPaper, { body: this.query() }), ({ pages, title }) => {
      this.done.set(`${title}: the printer took ${pages === 1 ? 'one page' : `${String(pages)} pages`}.`);
    });
  }

  protected save(): void {
    this.fetch(saveFile);
  }

  /** Opens it in a page of its own, where the browser prints it on any printer. */
  protected open(): void {
    const page = window.open('', '_blank');
    this.fetch(({ bytes }) => {
      const address = URL.createObjectURL(bytes);
      if (page) page.location.href = address;
      else saveFile({ name: 'paper.pdf', bytes });
    });
  }

  private fetch(then: (file: ArrivedFile) => void): void {
    this.done.set('');
    this.sending.send(this.api.file(files.paper.path, this.query()), then);
  }
}

/** A paper by its name in the address; the tag where there is none such, which then says so. */
function paperNamed(what: string): Paper {
  return what in PAPERS ? (what as Paper) : 'tag';
}
