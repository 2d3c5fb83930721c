import { PuppeteerNode } from 'puppeteer-core';

/**
 * Runs in the page: all elements of a role with an accessible name, as far as they are in view of assistive technology.
 * The browser's own accessibility tree would say the same, but costs half of the time of a walk: once asked for, it is
 * kept up with every change of the page. The name is the short form of the rules of Accessible Name and Description
 * Computation 1.2: what labels it, its label, its text without what is hidden, its title or placeholder.
 */
function elementsByName(within: Node, asked: string): Element[] {
  const [role, wanted] = asked.split('/').map((one) => decodeURIComponent(one)) as [string, string];
  const tags: Record<string, string> = {
    button: 'button, summary, [role=button]',
    link: 'a[href]',
    combobox: 'select, input[list], [role=combobox]',
    textbox: 'input:not([type=checkbox], [type=radio], [type=file], [role]), textarea',
    '': 'button, summary, a[href], input, select, textarea, [role]',
  };
  const plain = (text: string | null) => (text ?? '').replaceAll(/\s+/g, ' ').trim();
  const isHidden = (one: Element) =>
    one.closest('[aria-hidden=true], [inert]') !== null ||
    !(one.checkVisibility?.({ visibilityProperty: true }) ?? true);
  const textOf = (one: Element): string => {
    const style = getComputedStyle(one);
    if (one.getAttribute('aria-hidden') === 'true' || style.display === 'none') return '';
    if (one.matches('input, select, textarea')) return '';
    const own = one.getAttribute('aria-label') ?? one.getAttribute('alt');
    if (own !== null) return own;
    const text = [...one.childNodes]
      .map((child) => (child instanceof Element ? textOf(child) : (child.textContent ?? '')))
      .join('');
    return style.display.startsWith('inline') ? text : ` ${text} `;
  };
  const nameOf = (one: Element): string => {
    const ids = one.getAttribute('aria-labelledby')?.split(' ') ?? [];
    const by = plain(
      ids
        .map((id) => document.getElementById(id))
        .map((label) => (label ? textOf(label) : ''))
        .join(' '),
    );
    if (by) return by;
    const own = one.getAttribute('aria-label');
    if (own) return plain(own);
    const isField = one.matches('input, select, textarea');
    const labels = isField ? [...((one as HTMLInputElement).labels ?? [])] : [one];
    const text = labels.map((label) => textOf(label)).join(' ');
    return plain(text) || plain(one.getAttribute('title')) || plain(one.getAttribute('placeholder'));
  };
  const found = [...(within as Element | Document).querySelectorAll(tags[role] ?? `[role="${role}"]`)];
  return found.filter((one) => nameOf(one) === wanted && !isHidden(one));
}

PuppeteerNode.registerCustomQueryHandler('named', { queryAll: elementsByName });

/** A selector of what has this role, or any with '', and this accessible name. */
export function named(role: string, name: string): string {
  // Brackets and quotes would end the selector.
  const safe = encodeURIComponent(name).replaceAll(/[!'()*]/g, (one) => `%${one.codePointAt(0)!.toString(16)}`);
  return `::-p-named(${role}/${safe})`;
}
