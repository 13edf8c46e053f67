import { ChangeDetectionStrategy, Component, ElementRef, inject, viewChild } from '@angular/core';
import { NavigationEnd, Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { toSignal } from '@angular/core/rxjs-interop';
import { filter, map } from 'rxjs';
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
  ];
  protected readonly person = this.session.person;
  private readonly url = toSignal(
    this.router.events.pipe(
      filter((event) => event instanceof NavigationEnd),
      map((event) => event.urlAfterRedirects),
    ),
    { initialValue: '' },
  );
  protected readonly framed = () => this.person() !== null && !this.url().startsWith('/sign-in');

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
    void this.router.navigate(['/reels'], { queryParams: { q: typed } });
  }

  protected signOut(): void {
    this.session.signOut().subscribe({
      complete: () => void this.router.navigate(['/sign-in']),
      error: () => this.session.forget(),
    });
  }
}
