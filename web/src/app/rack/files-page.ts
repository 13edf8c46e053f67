import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import {
  api,
  FILE_COLUMNS,
  files,
  RACK_FILES,
  type ImportResult,
  type RackFile,
  type WaitingFile,
} from '@yard-spool/contract';
import { counted, formatCount } from '@yard-spool/core';
import { catchError, EMPTY, from, map, switchMap, tap, type Observable } from 'rxjs';
import { ApiService } from '../data/api.service';
import { load } from '../data/loaded';
import { Choice } from '../ui/choice';
import { Sending } from '../ui/sending';
import { text } from '../ui/text-control';
import { momentText } from '../ui/day-text';
import { base64Of, bytesOf, saveFile } from '../data/file-bytes';
import { RackTabs } from './rack-tabs';
import { RowErrors } from './row-errors';

/** Products, pieces and ledger as open files, out and in; a file to import is looked at first. */
@Component({
  selector: 'ys-files-page',
  imports: [Choice, RackTabs, RouterLink, RowErrors],
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
  /** Files in the shop's inbox folder. */
  protected readonly inbox = load(() => this.api.call(api.listWaitingFiles));
  /** The one of them that is looked at. */
  private readonly waiting = signal<WaitingFile | null>(null);
  protected readonly at = momentText;
  protected readonly kilobytes = (bytes: number): string => `${(bytes / 1000).toFixed(1)} kB`;
  private readonly file = signal<File | null>(null);
  protected readonly name = computed(() => this.file()?.name ?? 'the file');
  protected readonly result = signal<ImportResult | null>(null);
  protected readonly sending = new Sending();
  protected readonly out = new Sending();
  protected readonly words = computed(() => {
    const found = this.result();
    if (!found) return '';
    if (found.taken) return `Imported: ${counted(found.rows, 'row')} of ${this.name()}.`;
    if (found.errors.some(({ row }) => row === 0))
      return `${this.name()} cannot be read. Nothing was imported.`;
    if (found.wrongRows > 0)
      return `${formatCount(found.wrongRows)} of ${counted(found.rows, 'row')} ${found.wrongRows === 1 ? 'is' : 'are'} wrong. Nothing was imported.`;
    return found.rows === 1
      ? `The one row of ${this.name()} is right. Nothing is imported yet.`
      : `All ${counted(found.rows, 'row')} of ${this.name()} are right. Nothing is imported yet.`;
  });

  constructor() {
    this.what.valueChanges.subscribe(() => {
      this.result.set(null);
      if (this.file()) this.send(true);
    });
  }

  /** A file of the inbox is looked at as any other. */
  protected open(waiting: WaitingFile): void {
    this.waiting.set(waiting);
    this.result.set(null);
    const bytes = this.api.call(api.readWaitingFile, { params: { name: waiting.name } });
    const file = bytes.pipe(map(({ base64 }) => new File([bytesOf(base64)], waiting.name)));
    this.sending.send(
      file.pipe(
        tap((one) => this.file.set(one)),
        switchMap(() => this.asked(true)),
      ),
      (result) => this.result.set(result),
    );
  }

  /** @param input emptied, so that the same file can be chosen again once it was corrected */
  protected chosen(input: HTMLInputElement): void {
    const [file = null] = Array.from(input.files ?? []);
    input.value = '';
    this.waiting.set(null);
    this.file.set(file);
    this.result.set(null);
    if (file) this.send(true);
  }

  protected isWrong(row: number): boolean {
    return this.result()?.errors.some((error) => error.row === row) ?? false;
  }

  protected send(preview: boolean): void {
    if (!this.file()) return;
    this.sending.send(this.asked(preview), (result) => {
      this.result.set(result);
      if (result.taken) this.putAway();
    });
  }

  /** What was imported from the inbox does not wait any more. */
  private putAway(): void {
    const waiting = this.waiting();
    if (!waiting) return;
    this.waiting.set(null);
    // It is imported, whether or not it can be moved away: then it goes on waiting, and its rows are refused as there.
    this.api
      .call(api.putAwayFile, { params: { name: waiting.name } })
      .pipe(catchError(() => EMPTY))
      .subscribe(() => this.inbox.reload());
  }

  private asked(preview: boolean): Observable<ImportResult> {
    const file = this.file() ?? new File([], '');
    const what = this.what.value as RackFile;
    const format = file.name.toLowerCase().endsWith('.json') ? 'json' : 'csv';
    return from(base64Of(file)).pipe(
      switchMap((base64) =>
        this.api.call(api.importRack, { body: { what, format, name: file.name, base64, preview } }),
      ),
    );
  }

  protected exportFile(what: RackFile, format: 'csv' | 'json'): void {
    this.out.send(this.api.file(files.exportRack.path, { what, format }), saveFile);
  }
}
