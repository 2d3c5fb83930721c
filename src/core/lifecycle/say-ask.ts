import type { Station } from '../record';
import { formatMoney } from '../units';
import type { OpenAsk } from './standing';

/** An open ask in words, and the place where it is settled. */
export interface AskShown {
  readonly words: string;
  readonly station: Station;
  readonly anchor: string;
}

const plural = (count: number, one: string) => `${count} ${one}${count === 1 ? '' : 's'}`;

function sayStops(stops: number): string {
  return stops ? `, ${plural(stops, 'step')} ${stops === 1 ? 'waits' : 'wait'} for it` : ', no step waits for it';
}

/**
 * What is open beside a job's station.
 * @example sayAsk({ code: 'question', count: 2 }, 'EUR').words // '2 questions of the customer'
 */
export function sayAsk(ask: OpenAsk, currency: string): AskShown {
  switch (ask.code) {
    case 'supplement':
      return {
        words: `Supplement ${ask.number} ${ask.isSent ? 'waits for its answer' : 'is to be sent'}${sayStops(ask.stops)}`,
        ...{ station: 'approve', anchor: `supplement-${ask.number}` },
      };
    case 'question':
      return { words: `${plural(ask.count, 'question')} of the customer`, station: 'approve', anchor: 'questions' };
    case 'decline':
      return { words: 'Declined though the pump may fail: go on, or return it', station: 'approve', anchor: 'settle' };
    case 'order':
      return { words: `${plural(ask.parts, 'part')} to order`, station: 'parts', anchor: '' };
    case 'made':
      return { words: `${plural(ask.parts, 'part')} being made here`, station: 'parts', anchor: '' };
    case 'donor':
      return { words: `${plural(ask.parts, 'part')} from a donor to come`, station: 'parts', anchor: '' };
    case 'at-risk':
      return {
        words: `Ordered at risk: ${formatMoney({ minor: ask.minor, currency })}`,
        ...{ station: 'parts', anchor: '' },
      };
  }
}
