import { DestroyRef, ElementRef, inject, signal, type Signal } from '@angular/core';

/** Size of the component's own element, px, followed as it changes; null before it is known. */
export function measuredSize(): Signal<{ readonly width: number; readonly height: number } | null> {
  const element = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  const size = signal<{ width: number; height: number } | null>(null);
  if (typeof ResizeObserver === 'undefined') return size;
  const observer = new ResizeObserver(([entry]) => {
    if (entry)
      size.set({ width: Math.round(entry.contentRect.width), height: Math.round(entry.contentRect.height) });
  });
  observer.observe(element);
  inject(DestroyRef).onDestroy(() => observer.disconnect());
  return size.asReadonly();
}
