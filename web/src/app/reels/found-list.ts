import { ChangeDetectionStrategy, Component, computed, effect, inject, input } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { api, type Found, type SearchHit } from '@yard-spool/contract';
import { symptomName, symptomsIn } from '@yard-spool/core';
import { ApiService } from '../data/api.service';
import { loadFor } from '../data/loaded';
import { LineSwatch } from '../drawing/line-swatch';
import { SmallSection } from '../drawing/small-section';
import { UnitsService } from '../data/units.service';
import { LoadState } from '../ui/load-state';
import { FaultLink } from '../faults/fault-link';
import { hitRow, KIND_NAMES, type HitRow } from './hit-rows';

const NOTHING: Found = { hits: [], more: [], meant: null };

/** What was found, kind by kind; a tag that is just what was typed opens its reel at once. */
@Component({
  selector: 'ys-found-list',
  imports: [FaultLink, LineSwatch, LoadState, RouterLink, SmallSection],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (symptom(); as said) {
      <div class="card mt-3 flex flex-wrap items-center gap-3 px-4 py-2.5" data-test="symptom">
        <p class="mr-auto">
          A reel that <b>{{ symptomName(said) }}</b>?
        </p>
        <ys-fault-link [say]="said" />
      </div>
    }
    <ys-load-state what="what was found" [of]="asked.now()" (again)="asked.reload()" />
    @if (found(); as all) {
      @if (all.meant) {
        <p class="look px-3.5 py-2.5" role="status" data-test="meant">
          Nothing here is called “{{ q() }}”. This is what “{{ all.meant }}” finds.
        </p>
      }
      @for (group of groups(); track group.kind) {
        <section>
          <h2 class="pb-1.5 pt-3 text-mute">
            {{ group.name }}{{ group.more ? ', the latest of many' : '' }}
          </h2>
          <ul class="card">
            @for (row of group.rows; track $index) {
              <li class="border-b border-line last:border-0">
                <a
                  class="grid min-h-12 grid-cols-[64px_minmax(0,1fr)_minmax(0,1.3fr)] items-center gap-x-4 px-4 py-1.5 hover:bg-paper max-md:grid-cols-[64px_minmax(0,1fr)] max-md:[&>:first-child]:row-span-2"
                  [routerLink]="row.link"
                  [queryParams]="row.query"
                  data-test="hit"
                >
                  @if (row.drawing; as drawing) {
                    <ys-small-section [drawing]="drawing" />
                  } @else if (row.lineStyle; as lineStyle) {
                    <ys-line-swatch class="w-16! rounded-[3px]" [lineStyle]="lineStyle" />
                  } @else {
                    <span class="text-[13px] text-mute">{{ row.kind }}</span>
                  }
                  <b class="truncate" [title]="row.name">{{ row.name }}</b>
                  <span class="truncate max-md:col-start-2" [title]="row.beside">{{ row.beside }}</span>
                </a>
              </li>
            }
          </ul>
        </section>
      } @empty {
        <p class="card p-6">
          Nothing here is called “{{ q() }}”. Look at the tag again; or type a customer, a reel, a line, a
          lot, a bag, a day like 12 Mar 2031, or a word of a note.
        </p>
      }
    }
  `,
  host: { class: 'block' },
})
export class FoundList {
  private readonly api = inject(ApiService);
  private readonly router = inject(Router);
  private readonly units = inject(UnitsService);

  readonly q = input.required<string>();

  /** What people say of a reel that is not right, where the words name it. */
  protected readonly symptom = computed(() => symptomsIn(this.q())[0] ?? null);
  protected readonly symptomName = symptomName;
  protected readonly asked = loadFor(this.q, (q) => this.api.call(api.search, { query: { q } }), 'nothing');
  protected readonly found = computed(() => this.asked.value() ?? null);
  protected readonly groups = computed(() => {
    const { hits, more } = this.found() ?? NOTHING;
    const kinds = [...new Set(hits.map(({ kind }) => kind))];
    return kinds.map((kind) => ({
      kind,
      name: KIND_NAMES[kind],
      more: more.includes(kind),
      rows: hits.filter((hit) => hit.kind === kind).map((hit): HitRow => hitRow(hit, this.units)),
    }));
  });

  constructor() {
    effect(() => {
      const typed = this.q().trim().toUpperCase();
      const exact = this.found()?.hits.find(
        (hit): hit is Extract<SearchHit, { kind: 'reel' }> =>
          hit.kind === 'reel' && (hit.tag === typed || hit.was === typed),
      );
      if (exact) void this.router.navigate(['/reels', exact.tag], { replaceUrl: true });
    });
  }
}
