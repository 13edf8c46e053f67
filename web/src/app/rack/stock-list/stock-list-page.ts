import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { api, type StockListFound } from '@yard-spool/contract';
import {
  MATERIALS,
  SAMPLE_STOCK,
  STOCK_FIELDS,
  STOCK_TRAITS,
  type Material,
  type StockField,
  type StockReading,
  usualUnit,
} from '@yard-spool/core';
import { from, switchMap } from 'rxjs';
import { ApiService } from '../../data/api.service';
import { base64Of, saveFile } from '../../data/file-bytes';
import { UnitsService } from '../../data/units.service';
import { Sending } from '../../ui/sending';
import { RackTabs } from '../rack-tabs';
import { RowErrors } from '../row-errors';
import { unitsFor } from './units-for';

/** A shop's own list of what lies on its rack: its columns are found by their headings, put right, and imported in one go. */
@Component({
  selector: 'ys-stock-list-page',
  imports: [RackTabs, RouterLink, RowErrors],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './stock-list-page.html',
  host: { class: 'block min-h-0 grow' },
})
export class StockListPage {
  private readonly api = inject(ApiService);

  protected readonly fields = STOCK_FIELDS.map((field) => ({ field, name: STOCK_TRAITS[field].name }));
  protected readonly materials = MATERIALS;
  private readonly units = inject(UnitsService);
  protected readonly unitsFor = unitsFor;
  private readonly file = signal<File | null>(null);
  protected readonly name = computed(() => this.file()?.name ?? 'the list');
  protected readonly found = signal<StockListFound | null>(null);
  protected readonly sending = new Sending();

  /** Each column of the list: its heading, what is in it, and what it is taken for. */
  protected readonly columns = computed(() => {
    const found = this.found();
    return (found?.heads ?? []).map((head, at) => ({
      head: head === '' ? `Column ${String(at + 1)}` : head,
      first: found?.first.flatMap((cells) => (cells[at]?.trim() ? [cells[at]] : [])).slice(0, 3) ?? [],
      field: found?.reading.columns[at]?.field ?? null,
      unit: found?.reading.columns[at]?.unit ?? null,
    }));
  });
  /** Whether the whole list has to be told what its lines are made of. */
  protected readonly hasMaterial = computed(() => this.columns().some(({ field }) => field === 'material'));
  protected readonly hasPlace = computed(() => this.columns().some(({ field }) => field === 'place'));

  protected readonly words = computed(() => {
    const found = this.found();
    if (!found) return '';
    const what = `${counted(found.pieces, 'piece')} and ${counted(found.lines, 'new line')}`;
    if (found.taken) return `Imported: ${what}.`;
    if (found.errors.some(({ row }) => row === 0)) return 'Not everything is known yet. Nothing is imported.';
    if (found.wrongRows > 0)
      return `${String(found.wrongRows)} of ${counted(found.rows, 'row')} cannot be read. Nothing is imported.`;
    return `${counted(found.rows, 'row')} of ${this.name()}: ${what}. Nothing is imported yet.`;
  });

  /** @param input emptied, so that the same file can be chosen again once it was corrected */
  protected chosen(input: HTMLInputElement): void {
    const [file = null] = Array.from(input.files ?? []);
    input.value = '';
    if (!file) return;
    this.file.set(file);
    this.found.set(null);
    this.ask(null, true);
  }

  protected isField(at: number, field: string): void {
    const known = this.fields.find((one) => one.field === field)?.field ?? null;
    this.column(at, { field: known, unit: usualUnit(known, this.units.system() !== 'metric') }, known);
  }

  protected isIn(at: number, unit: string): void {
    this.column(at, { unit }, null);
  }

  protected say(change: Partial<StockReading>): void {
    const found = this.found();
    if (found) this.ask({ ...found.reading, ...change }, true);
  }

  protected isMaterial(material: string): void {
    this.say({ material: this.materials.find((one): one is Material => one === material) ?? null });
  }

  protected take(): void {
    const found = this.found();
    if (found) this.ask(found.reading, false);
  }

  protected sample(): void {
    const text = SAMPLE_STOCK.map((row) => row.join(',')).join('\r\n');
    saveFile({ name: 'stock-list.csv', bytes: new Blob([`${text}\r\n`], { type: 'text/csv' }) });
  }

  /** A column is taken for something else; no other is taken for that any more. */
  private column(
    at: number,
    change: { readonly field?: StockField | null; readonly unit: string | null },
    only: StockField | null,
  ): void {
    const columns = this.found()?.reading.columns ?? [];
    this.say({
      columns: columns.map((column, i) => {
        if (i === at) return { ...column, ...change };
        return only !== null && column.field === only ? { field: null, unit: null } : column;
      }),
    });
  }

  private ask(reading: StockReading | null, preview: boolean): void {
    const file = this.file();
    if (!file) return;
    const asked = from(base64Of(file)).pipe(
      switchMap((base64) =>
        this.api.call(api.readStockList, { body: { name: file.name, base64, reading, preview } }),
      ),
    );
    this.sending.send(asked, (found) => this.found.set(found));
  }
}

const counted = (count: number, what: string): string => `${String(count)} ${what}${count === 1 ? '' : 's'}`;
