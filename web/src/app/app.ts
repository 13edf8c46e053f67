import {
  ChangeDetectionStrategy,
  Component,
  effect,
  ElementRef,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import { NavigationEnd, Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { filter, map, tap } from 'rxjs';
import { OpenAgain } from './data/open-again';
import { Outbox } from './data/outbox.service';
import { SessionService } from './data/session.service';
import { UNIT_NAMES, UnitsService } from './data/units.service';
import { UnreadRows } from './data/unread-rows';
import { HelpButton } from './help/help-button';
import { HelpPanel } from './help/help-panel';
import { TourStrip } from './help/tour-strip';
import { Folds } from './ui/folds';
import { LastPressed } from './ui/last-pressed';
import { PageFocus } from './ui/page-focus';
import { UndoStrip } from './ui/undo-strip';
import { Keyboard, useKeys } from './keyboard/keyboard.service';

interface Area {
  readonly path: string;
  readonly name: string;
}

/** The frame of every screen: areas, the tag field, units, who is signed in. */
@Component({
  selector: 'app-root',
  imports: [HelpButton, HelpPanel, RouterOutlet, RouterLink, RouterLinkActive, UndoStrip, TourStrip],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './app.html',
  host: { class: 'flex flex-col h-dvh' },
})
export class App {
  private readonly router = inject(Router);
  private readonly session = inject(SessionService);
  private readonly tagField = viewChild<ElementRef<HTMLInputElement>>('tagField');
  protected readonly units = inject(UnitsService);
  protected readonly unread = inject(UnreadRows);
  protected readonly unitNames = UNIT_NAMES;

  protected readonly areas: readonly Area[] = [
    { path: '/day', name: 'Day' },
    { path: '/bags', name: 'Bags' },
    { path: '/bench', name: 'Bench' },
    { path: '/rack', name: 'Line rack' },
    { path: '/reels', name: 'Reels' },
    { path: '/house', name: 'Settings' },
  ];
  protected readonly person = this.session.person;
  protected readonly again = inject(OpenAgain);
  protected readonly pageFocus = inject(PageFocus);
  protected readonly fromTheStart = [inject(Folds), inject(LastPressed)];
  protected readonly url = toSignal(
    this.router.events.pipe(
      filter((event) => event instanceof NavigationEnd),
      tap(() => this.again.opened()),
      map((event) => event.urlAfterRedirects),
    ),
    { initialValue: '' },
  );
  protected readonly signedIn = () => this.person() !== null && !this.url().startsWith('/sign-in');
  /** Whether it is said what the screen is for. */
  protected readonly helping = signal(false);
  /** The bench has the whole screen while a reel is on it. */
  protected readonly framed = () => this.signedIn() && !/^\/bench\/\d/.test(this.url());

  private readonly outbox = inject(Outbox);

  constructor() {
    // Whatever waits of any run is sent as whoever signs in can send it, and once the link is back.
    effect(() => {
      if (this.person()) void this.outbox.sendEverything();
    });
    // What was said of one screen is not said of the next.
    effect(() => {
      this.url();
      this.helping.set(false);
      this.unread.count.set(0);
    });
    useKeys(
      (key) => {
        if (key === '/' && this.framed()) return () => this.tagField()?.nativeElement.focus();
        return (key === '?' || key === 'F1') && this.framed() ? () => this.help() : undefined;
      },
      { '/': 'Scan a tag, or look for anything', '? or F1': 'What this screen is for, and its keys' },
    );
    inject(Keyboard)
      .scanned.pipe(takeUntilDestroyed())
      .subscribe((tag) => {
        if (this.signedIn()) this.open(tag);
      });
  }

  protected find(event: Event, field: HTMLInputElement): void {
    event.preventDefault();
    const typed = field.value.trim();
    if (typed === '') return;
    field.value = '';
    field.blur();
    this.open(typed);
  }

  protected help(): void {
    this.helping.update((open) => !open);
  }

  private open(typed: string): void {
    void this.router.navigate(['/reels'], { queryParams: { q: typed } });
  }

  protected signOut(): void {
    this.session.signOut().subscribe({
      complete: () => void this.router.navigate(['/sign-in']),
      error: () => this.session.forget(),
    });
  }
}
