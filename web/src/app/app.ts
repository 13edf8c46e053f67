import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  effect,
  ElementRef,
  inject,
  viewChild,
} from '@angular/core';
import { NavigationEnd, Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { toSignal } from '@angular/core/rxjs-interop';
import { filter, map } from 'rxjs';
import { Outbox } from './data/outbox.service';
import { BurstCatcher } from './data/burst-catcher';
import { SessionService } from './data/session.service';
import { UnitsService } from './data/units.service';

interface Area {
  readonly path: string;
  readonly name: string;
}

/** The frame of every screen: areas, the tag field, units, who is signed in. */
@Component({
  selector: 'app-root',
  imports: [RouterOutlet, RouterLink, RouterLinkActive],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './app.html',
  host: { class: 'flex flex-col h-dvh', '(document:keydown)': 'onKey($event)' },
})
export class App {
  private readonly router = inject(Router);
  private readonly session = inject(SessionService);
  private readonly tagField = viewChild<ElementRef<HTMLInputElement>>('tagField');
  protected readonly units = inject(UnitsService);

  protected readonly areas: readonly Area[] = [
    { path: '/bags', name: 'Bags' },
    { path: '/bench', name: 'Bench' },
    { path: '/rack', name: 'Line rack' },
    { path: '/reels', name: 'Reels' },
    { path: '/house', name: 'House' },
  ];
  protected readonly person = this.session.person;
  private readonly url = toSignal(
    this.router.events.pipe(
      filter((event) => event instanceof NavigationEnd),
      map((event) => event.urlAfterRedirects),
    ),
    { initialValue: '' },
  );
  protected readonly signedIn = () => this.person() !== null && !this.url().startsWith('/sign-in');
  /** The bench has the whole screen while a reel is on it. */
  protected readonly framed = () => this.signedIn() && !/^\/bench\/\d/.test(this.url());

  /** Keys that were held back and are let through now. */
  private readonly replayed = new WeakSet<Event>();
  private readonly burst = new BurstCatcher((tag) => this.open(tag));

  private readonly outbox = inject(Outbox);

  constructor() {
    // Whatever waits of any run is sent as whoever signs in can send it, and once the link is back.
    effect(() => {
      if (this.person()) void this.outbox.sendEverything();
    });
    // In the capture phase, so that a scanner's keys are seen before any shortcut sees them.
    const listen = (event: KeyboardEvent): void => {
      this.catchBurst(event);
    };
    document.addEventListener('keydown', listen, { capture: true });
    inject(DestroyRef).onDestroy(() => {
      document.removeEventListener('keydown', listen, { capture: true });
    });
  }

  private catchBurst(event: KeyboardEvent): void {
    const { target } = event;
    const typing = target instanceof HTMLElement && target.matches('input, textarea, select');
    if (typing || !this.signedIn() || this.replayed.has(event)) return;
    if (event.ctrlKey || event.metaKey || event.altKey || event.repeat) return;
    const ended = event.key === 'Enter' && this.burst.enter();
    const held = /^[\w-]$/.test(event.key);
    if (!ended && !held) return;
    event.preventDefault();
    event.stopImmediatePropagation();
    if (!held) return;
    const { key, code, shiftKey } = event;
    this.burst.take(key, () => {
      const again = new KeyboardEvent('keydown', { key, code, shiftKey, bubbles: true, cancelable: true });
      this.replayed.add(again);
      (target ?? document).dispatchEvent(again);
    });
  }

  protected onKey(event: KeyboardEvent): void {
    const typing = event.target instanceof HTMLElement && event.target.matches('input, textarea, select');
    if (event.key !== '/' || typing || event.ctrlKey || event.metaKey || event.altKey) return;
    event.preventDefault();
    this.tagField()?.nativeElement.focus();
  }

  protected find(event: Event, field: HTMLInputElement): void {
    event.preventDefault();
    const typed = field.value.trim();
    if (typed === '') return;
    field.value = '';
    field.blur();
    this.open(typed);
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
