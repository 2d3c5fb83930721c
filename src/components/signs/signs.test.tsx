import { cleanup, render, screen } from '@testing-library/react';
import type { Strip } from '@/core/inspection';
import { holderNames, holders, stationNames, stations } from '@/core/record';
import { LimitStrip } from './limit-strip';
import { ReadyBar } from './ready-range';
import { linesOf, SectionNote } from './section-note';
import { Stream } from './stream';

const strip: Strip = {
  low: 44.99,
  high: 45.02,
  newBand: [45.002, 45.013],
  reuseBand: [44.998, 45.013],
  ticks: [45.003, 45.0],
  worst: 45.0,
  uncertainty: 0.0015,
};
const numberOf = (element: Element | null | undefined, name: string) => Number(element?.getAttribute(name));

describe('the limit strip', () => {
  test('is to scale: the new band lies within the reuse band, a reading where it belongs', () => {
    render(<LimitStrip strip={strip} width={300} label="Sleeve: near limit" isBad={false} />);
    const sign = screen.getByRole('img', { name: 'Sleeve: near limit' });
    const [reuse, fresh] = [...sign.querySelectorAll('rect')];
    expect(numberOf(reuse, 'x')).toBeCloseTo(80);
    expect(numberOf(fresh, 'x')).toBeCloseTo(120);
    expect(numberOf(fresh, 'x') + numberOf(fresh, 'width')).toBeCloseTo(230);
    expect(numberOf(reuse, 'x') + numberOf(reuse, 'width')).toBeCloseTo(230);
    const ticks = [...sign.querySelectorAll('line[y2="31"]')];
    expect(ticks.map((tick) => Math.round(numberOf(tick, 'x1')))).toEqual([130, 100]);
  });
  test('draws the worst reading taller than the others, and its uncertainty as a whisker as wide as it is', () => {
    render(<LimitStrip strip={strip} width={300} label="s" isBad />);
    const sign = screen.getByRole('img');
    const [other, worst] = [...sign.querySelectorAll('line[y2="31"]')];
    expect(numberOf(worst, 'y1')).toBeLessThan(numberOf(other, 'y1'));
    const whisker = sign.querySelector('line[y1="9"]');
    expect(numberOf(whisker, 'x2') - numberOf(whisker, 'x1')).toBeCloseTo(30);
  });
  test('without a reading shows its bands only', () => {
    render(<LimitStrip strip={{ ...strip, ticks: [], worst: null, uncertainty: 0 }} label="to do" isBad={false} />);
    expect(screen.getByRole('img', { name: 'to do' }).querySelectorAll('line[y2="31"], line[y1="9"]')).toHaveLength(0);
  });
});

describe('the stream', () => {
  test.each(stations)('says in words where a job at %s stands and who holds it', (station) => {
    for (const holder of holders) {
      const { unmount } = render(<Stream station={station} holder={holder} />);
      expect(
        screen.getByRole('img', { name: `${stationNames[station]}, held by ${holderNames[holder]}` }),
      ).toHaveTextContent(holder);
      unmount();
    }
  });
  test('stopped, says so, and is split by a crack instead of a letter', () => {
    render(<Stream station="inspect" holder="C" isStopped />);
    expect(screen.getByRole('img', { name: 'Inspect, held by customer, on hold' })).toHaveTextContent('');
  });
  test('stations that are not needed are dots', () => {
    render(<Stream station="return" holder="U" skipped={['parts', 'rebuild', 'test', 'report']} />);
    expect(screen.getByRole('img').querySelectorAll('circle')).toHaveLength(4);
  });
});

describe('the ready range', () => {
  const ready = { early: '2026-12-01', likely: '2026-12-03', late: '2026-12-09' };
  const bar = (promisedOn: string) => {
    render(<ReadyBar ready={ready} promisedOn={promisedOn} today="2026-11-25" className="w-40" />);
    return screen.getByRole('img');
  };
  test('before the promise says both dates', () =>
    expect(bar('2026-12-10')).toHaveAccessibleName('Ready between 2026-12-01 and 2026-12-09, promised 2026-12-10'));
  test('past the promise says that it is at risk, and hatches what lies past it', () => {
    const sign = bar('2026-12-05');
    expect(sign).toHaveAccessibleName(/at risk$/);
    expect(sign.querySelector('[fill="url(#late-hatch)"]')).not.toBeNull();
  });
  test('stands where the days are: of 42 days six on are 14.3 %, fifteen on 35.7 %; what is far away at its end', () => {
    const at = (sign: Element) =>
      ['rect', 'line', 'svg'].map((one) => sign.querySelector(one)?.getAttribute(one === 'line' ? 'x1' : 'x'));
    expect(at(bar('2026-12-10'))).toEqual(['14.3%', '19%', '35.7%']);
    cleanup();
    expect(at(bar('2027-12-10'))).toEqual(['14.3%', '19%', '98%']);
  });
});

describe('a name on the section', () => {
  test('stands in lines of at most eighteen letters, broken between words; a longer word stands alone', () => {
    expect(linesOf('Head')).toEqual(['Head']);
    expect(linesOf('Bearing housing with adjusting thread')).toEqual(['Bearing housing', 'with adjusting', 'thread']);
    expect(linesOf('Intermediate-shaft-cover of brass')).toEqual(['Intermediate-shaft-cover', 'of brass']);
  });
  test('is whole within the picture, the last line on the line of names; beside an upright pump a name ends at its place', () => {
    const note = { part: 'housing', x: 690, y: -60, labelX: 690, labelY: -120 };
    const draw = (isUpright: boolean) =>
      render(
        <svg>
          <SectionNote note={note} name="Bearing housing" size={20} across={[0, 700]} isUpright={isUpright} />
        </svg>,
      );
    const lying = draw(false);
    // Fifteen letters of 11.4 are 171 wide: their middle may be at 614.5 at most.
    const line = lying.container.querySelector('tspan');
    expect([numberOf(line, 'x'), numberOf(line, 'y')]).toEqual([614.5, -124]);
    expect(numberOf(lying.container.querySelector('line'), 'x1')).toBe(690);
    lying.unmount();
    const upright = draw(true).container;
    expect(numberOf(upright.querySelector('tspan'), 'x')).toBe(690);
    expect(upright.querySelector('text')?.getAttribute('text-anchor')).toBe('end');
  });
});
