import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import f4 from '@families/f4-bore-hole.json';
import f6 from '@families/f6-internal-gear.json';
import { buildFamily, loadFamily, type FormOf } from '@/core/family';
import { exampleRecord } from '@/core/record/example-record';
import { ConversionLine } from '../job/conversion-line';
import { exampleView } from '../../../test-support/example-view';
import { BenchSection } from './bench-section';
import { FoundSomething } from './found-something';
import { TorqueShown } from './torque-shown';

const gear = buildFamily(loadFamily(f6));
const stack = buildFamily(loadFamily(f4), { counts: { stage: 9 } });
const torque = (change: Partial<FormOf<'torque'>>): FormOf<'torque'> => ({
  ...{ kind: 'torque', window_nm: { min: 68, max: 80 }, thread: 'M12', grade: '8.8', bolts: 8 },
  ...{ pattern: 'three passes crosswise at 30, 60 and 100 %, then one round', passes_pct: [30, 60, 100] },
  ...change,
});

describe('beside a torque', () => {
  test('stands the order of the bolts, and which of two figures governs', () => {
    render(<TorqueShown form={torque({})} />);
    // Opposite pairs, each as far from those done as those left allow.
    expect(screen.getByRole('img', { name: 'Bolts in the order 1, 5, 3, 7, 2, 6, 4, 8' })).toBeTruthy();
    expect(screen.getByText(/30 %, 60 %, 100 %, 100 %: each pass in this order, the last one round/)).toBeTruthy();
    // M12 of grade 8.8, dry: 0.2 · 36.66 kN · 12 mm = 88 N·m
    expect(screen.getByText('88')).toBeTruthy();
    expect(screen.getByText(/The family’s window governs/)).toBeTruthy();
  });
  test('one nut has no order, and a thread that no table has no strength', () => {
    render(<TorqueShown form={torque({ bolts: 1, pattern: 'once', thread: 'M24x1.5' })} />);
    expect(screen.queryByRole('img')).toBeNull();
    expect(screen.queryByText(/governs/)).toBeNull();
  });
});

describe('the section beside the work', () => {
  const show = (family: typeof gear, change: object = {}) =>
    render(
      <BenchSection
        {...{ family, hint: '', title: 'Section', lit: ['rotor'], moves: 'none', inHand: undefined }}
        states={{ rotor: 'now', impeller: 'now' }}
        onPickPart={() => undefined}
        {...change}
      />,
    );
  test('a gear pump is seen from its end as well, and the lit part turns as it is said', () => {
    const { container } = show(gear, { moves: 'clockwise' });
    expect(screen.getByRole('group', { name: 'End view, seen from the drive end' })).toBeTruthy();
    expect(container.querySelector('[data-end=rotor]')?.getAttribute('fill')).toBe('var(--ochre)');
    expect(container.querySelector('[data-turns=clockwise]')).toBeTruthy();
    expect(screen.getByText('suction')).toBeTruthy();
  });
  test('of a stack only the member in hand lights up; other pumps have no end view', () => {
    const lit = (number: number) => {
      const { container, unmount } = show(stack, { lit: ['impeller'], inHand: { set: 'stage', number } });
      const count = container.querySelectorAll('[data-lit=impeller]').length;
      unmount();
      return count;
    };
    expect(lit(4)).toBeGreaterThan(0);
    expect(lit(4)).toBe(lit(9));
    const { container } = show(stack, { lit: ['impeller'] });
    expect(container.querySelectorAll('path[fill="var(--ochre)"]').length).toBe(3 * lit(4));
    expect(screen.queryByRole('group', { name: /End view/ })).toBeNull();
  });
  test('a body that lights up for itself and for what lies behind it is named once, as itself', () => {
    for (const lit of [
      ['guard', 'guard-screw'],
      ['guard-screw', 'guard'],
    ]) {
      const { container, unmount } = show(gear, { lit });
      const words = [...container.querySelectorAll('text')].map(({ textContent }) => textContent);
      expect(words.filter((one) => /guard/i.test(one))).toEqual(['Coupling guard']);
      unmount();
    }
    const { container } = show(gear, { lit: ['guard-screw'] });
    expect([...container.querySelectorAll('text')].map(({ textContent }) => textContent)).toContain('Guard screw');
  });
  test('it is drawn larger about the member in hand, and whole again', async () => {
    const shown: string[] = [];
    Element.prototype.scrollIntoView = function into(this: Element) {
      shown.push(this.getAttribute('data-lit') ?? '');
    };
    show(stack, { lit: ['impeller'], inHand: { set: 'stage', number: 9 } });
    await userEvent.click(screen.getByRole('button', { name: 'Larger' }));
    await userEvent.click(screen.getByRole('button', { name: 'Larger' }));
    expect(shown).toEqual(['impeller', 'impeller']);
    await userEvent.click(screen.getByRole('button', { name: 'Whole section' }));
    expect(screen.getByRole('button', { name: 'Larger' })).toBeTruthy();
  });
});

test('a conversion says what leaves and what comes; without one nothing is said', () => {
  const conversion = { came: 'packed', goesBack: 'cartridge seal', out: ['packing ring'], into: ['seal cartridge'] };
  const { container, rerender } = render(<ConversionLine view={exampleView(exampleRecord(), { conversion })} />);
  expect(screen.getByText(/came as packed, goes back as cartridge seal/)).toBeTruthy();
  expect([screen.getByText('packing ring'), screen.getByText('seal cartridge')]).toHaveLength(2);
  rerender(<ConversionLine view={exampleView(exampleRecord())} />);
  expect(container.textContent).toBe('');
});

describe('what was found beside the work', () => {
  test('is written on a part that is lit, with the damage that is known of it, or left', async () => {
    const user = userEvent.setup();
    const view = exampleView(exampleRecord({ station: 'teardown' }));
    const [known] = view.family.damage;
    const { part = '', seen = '', points_to: pointsTo = '' } = known ?? {};
    render(<FoundSomething view={view} parts={[part]} />);
    await user.click(screen.getByRole('button', { name: 'Found something' }));
    expect(await screen.findByRole('combobox', { name: 'On' })).toHaveValue(part);
    await user.click(screen.getByRole('button', { name: seen }));
    expect(screen.getByRole('textbox', { name: 'What is seen' })).toHaveValue(seen);
    expect(screen.getByText(new RegExp(`Points to ${pointsTo}`))).toBeTruthy();
    await user.click(screen.getByRole('button', { name: 'Leave it' }));
    expect(screen.getByRole('button', { name: 'Found something' })).toBeTruthy();
    expect(screen.queryByRole('combobox', { name: 'On' })).toBeNull();
  });
});
