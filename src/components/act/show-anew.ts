'use client';

/** Shows the page as it stands now, from its top: for pages that come without the framework that could do it in place. */
export function showAnew(): void {
  window.scrollTo({ top: 0 });
  window.location.reload();
}
