import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { api, FILE_COLUMNS, files, RACK_FILES, type ImportResult, type RackFile } from '@yard-spool/contract';
import { from, switchMap } from 'rxjs';
import { ApiService } from '../data/api.service';
import { Choice } from '../ui/choice';
import { Sending } from '../ui/sending';
import { text } from '../ui/text-control';
import { base64Of, saveFile } from './file-bytes';
import { RackTabs } from './rack-tabs';

/** Products, pieces and ledger as open files, out and in; a file to import is looked at first. */
@Component({
  selector: 'ys-files-page',
  imports: [Choice, RackTabs],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './files-page.html',
  host: { class: 'block min-h-0 grow' },
})
export class FilesPage {
  private readonly api = inject(ApiService);

  protected readonly all = RACK_FILES;
  protected readonly choices = RACK_FILES.map((file) => ({ value: file, name: file }));
  protected readonly what = text('pieces');
  private readonly chosenWhat = toSignal(this.what.valueChanges, { initialValue: 'pieces' });
  protected readonly columns = computed(() => FILE_COLUMNS[this.chosenWhat() as RackFile].join(', '));
  private readonly file = signal<File | null>(null);
  protected readonly name = computed(() => this.file()?.name ?? 'the file');
  protected readonly result = signal<ImportResult | null>(null);
  protected readonly sending = new Sending();
  protected readonly out = new Sending();
  protected readonly words = computed(() => {
    const found = this.result();
    if (!found) return '';
    if (found.taken) return `Taken in: ${String(found.rows)} rows of ${this.name()}.`;
    if (found.errors.some(({ row }) => row === 0))
      return `${this.name()} cannot be read. Nothing was imported.`;
    if (found.wrongRows > 0)
      return `${String(found.wrongRows)} of ${String(found.rows)} rows are wrong. Nothing was imported.`;
    return `All ${String(found.rows)} rows of ${this.name()} are right. Nothing is imported yet.`;
  });

  constructor() {
    this.what.valueChanges.subscribe(() => {
      this.result.set(null);
      if (this.file()) this.send(true);
    });
  }

  protected chosen(files: FileList | null): void {
    this.file.set(files?.[0] ?? null);
    this.result.set(null);
    if (this.file()) this.send(true);
  }

  protected isWrong(row: number): boolean {
    return this.result()?.errors.some((error) => error.row === row) ?? false;
  }

  protected send(preview: boolean): void {
    const file = this.file();
    if (!file) return;
    const what = this.what.value as RackFile;
    const format = file.name.toLowerCase().endsWith('.json') ? 'json' : 'csv';
    const ask = from(base64Of(file)).pipe(
      switchMap((base64) =>
        this.api.call(api.importRack, { body: { what, format, name: file.name, base64, preview } }),
      ),
    );
    this.sending.send(ask, (result) => this.result.set(result));
  }

  protected exportFile(what: RackFile, format: 'csv' | 'json'): void {
    this.out.send(this.api.file(files.exportRack.path, { what, format }), saveFile);
  }
}
