'use client';

import { useCombobox } from 'downshift';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useId, useState } from 'react';
import { findHits, useHits, type Hit } from './use-hits';

/** Hits that the list shows at most. */
const mostHits = 8;

/** A slash brings the cursor here from anywhere but a field. */
function useSlash(fieldId: string): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const isTyping = event.target instanceof HTMLElement && event.target.matches('input, textarea, select');
      if (event.key !== '/' || isTyping) return;
      event.preventDefault();
      document.getElementById(fieldId)?.focus();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [fieldId]);
}

function AnswerToRead({ hit }: { readonly hit: Hit }) {
  const [copied, setCopied] = useState('');
  const copy = async () => {
    // A page over plain HTTP has no clipboard.
    await navigator.clipboard?.writeText(hit.answer);
    setCopied(hit.tag);
  };
  return (
    <div className="flex items-start gap-3 bg-sand px-4 py-3">
      <span className="text-13 text-quiet">Answer</span>
      <p className="flex-1" aria-live="polite">
        {hit.answer}
      </p>
      <button
        type="button"
        className="min-h-8 rounded border border-quiet px-2 text-13"
        onMouseDown={(event) => event.preventDefault()}
        onClick={() => void copy()}
      >
        {copied === hit.tag ? 'copied' : 'copy'}
      </button>
    </div>
  );
}

/**
 * One search box: a tag, a serial number, a customer or words; the answer line of the hit can be read out or copied.
 */
export function FindBox() {
  const router = useRouter();
  const fieldId = useId();
  const [text, setText] = useState('');
  const takeField = useCallback((element: HTMLInputElement | null) => {
    // What was typed before the page came alive is not lost.
    if (element?.value) setText(element.value);
  }, []);
  const found = useHits(text);
  const items = [...(found?.strips ?? [])].slice(0, mostHits);
  const open = (hit: Hit) => {
    setText('');
    router.push(`/jobs/${hit.tag}`);
  };
  const combobox = useCombobox<Hit>({
    items,
    inputValue: text,
    selectedItem: null,
    inputId: fieldId,
    itemToString: (hit) => hit?.tag ?? '',
    onSelectedItemChange: ({ selectedItem }) => selectedItem && open(selectedItem),
  });
  useSlash(fieldId);
  /** Enter without a choice opens the first hit of what is typed, also when the list is not there yet. */
  const openFirst = async () => {
    const [first] = (await findHits(text.trim()).catch(() => null))?.strips ?? [];
    if (first) open(first);
  };
  const isShown = found !== null && combobox.isOpen;
  const more = (found?.strips.length ?? 0) - items.length;
  const read = items[combobox.highlightedIndex] ?? items[0];
  return (
    <search className="relative min-w-0">
      <div className="frame flex h-[42px] items-center gap-2 rounded-[19px_19px_19px_7px] border border-ink bg-sheet pl-4 pr-3">
        <input
          {...combobox.getInputProps({
            ref: takeField,
            // Not told by the box itself: a letter that brings the page to life comes before it listens to its own state.
            onChange: (event) => setText(event.currentTarget.value),
            onKeyDown: (event) => {
              if (event.key === 'Escape') setText('');
              if (event.key === 'Enter' && combobox.highlightedIndex < 0 && text.trim()) void openFirst();
            },
          })}
          aria-label="Find a pump"
          placeholder="Tag, serial number, customer, what they say it does"
          className="framed min-w-0 flex-1 bg-transparent placeholder:text-quiet"
        />
        <kbd aria-hidden="true">/</kbd>
      </div>
      <div
        className={
          isShown
            ? 'absolute left-0 right-0 top-[48px] z-40 rounded-[10px_12px_9px_13px] border border-ink bg-sheet shadow-lg lg:min-w-[640px]'
            : ''
        }
      >
        {isShown && found.of && (
          <p className="px-4 pt-2 font-semibold">
            {found.strips.length === 0 ? 'No pump is' : 'Pumps'} {found.of}
          </p>
        )}
        {isShown && read && <AnswerToRead hit={read} />}
        {isShown && found.archived && (
          <p className="px-4 py-3" role="status">
            {found.archived}
          </p>
        )}
        {isShown && !read && !found.of && !found.archived && (
          <p className="px-4 py-3" role="status">
            Nothing here is called “{text}”. Try part of the serial or equipment number, the owner or the contact; or a
            state: late, on hold, at risk, waiting for approval, waiting for parts, due this week.
          </p>
        )}
        <ul {...combobox.getMenuProps({ 'aria-label': 'Pumps found' })}>
          {isShown &&
            items.map((hit, index) => (
              <li
                key={hit.tag}
                {...combobox.getItemProps({ item: hit, index })}
                className={`row flex min-h-11 cursor-pointer items-center gap-4 px-4 first:border-0 ${combobox.highlightedIndex === index ? 'bg-sand' : ''}`}
              >
                <b className="num">{hit.tag}</b>
                <span className="flex-1 truncate">
                  {hit.pump} · {hit.customer}
                </span>
                <span className="num text-13 text-quiet">{hit.serial}</span>
              </li>
            ))}
        </ul>
        {isShown && (more > 0 || found.hasMore) && (
          <p role="status" className="border-t border-line px-4 py-2 text-13 text-quiet">
            {found.hasMore ? 'There are more than a dozen' : `${more} more`}: say more of what you look for.
          </p>
        )}
      </div>
    </search>
  );
}
