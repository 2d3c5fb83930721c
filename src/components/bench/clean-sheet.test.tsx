import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { maskList } from '@/core/cleaning';
import type { JobRecord } from '@/core/record';
import { rightRun } from '../../../demo/right-cleaning';
import { answerFetch, refusal } from '../../../test-support/answer-fetch';
import { CoreJob } from '../../../test-support/core-job';
import { exampleFamily, exampleFile, exampleView } from '../../../test-support/example-view';
import { CleanSheet } from './clean-sheet';

const script = { duty: { flowM3h: 25, headM: 32, speedRpm: 2900 }, found: {}, dispose: {} } as const;
const atClean = () => new CoreJob(exampleFile, script).playTo('clean').record;
const done = { body: { data: { version: 9, run: 1 } } };
const show = (record: JobRecord = atClean()) => render(<CleanSheet view={exampleView(record)} isHere />);
const press = (name: string | RegExp) => userEvent.click(screen.getByRole('button', { name }));
const tickAll = async () => {
  const open = screen
    .getAllByRole<HTMLInputElement>('checkbox')
    .filter(({ checked, disabled }) => !checked && !disabled);
  for (const box of open) await userEvent.click(box);
};
const hard = exampleFamily.parts.filter((part) => !part.soft);

test('baskets hold what the family says of each part, the soft ones in none', () => {
  show();
  const baskets = screen.getByRole('region', { name: 'Baskets' });
  for (const part of exampleFamily.parts.filter(({ soft }) => soft))
    expect(within(baskets).queryByText(new RegExp(`\\b${part.name}\\b`))).toBeNull();
  expect(baskets).toHaveTextContent(hard[0]?.name ?? '');
});

test('a run goes out with what its method asks and the look at each part', async () => {
  const asked = answerFetch(() => done);
  show();
  await press(/^parts washer/);
  await userEvent.type(screen.getByRole('textbox', { name: 'Bath' }), 'bath 1');
  await userEvent.type(screen.getByRole('textbox', { name: 'Temperature, °C' }), '60');
  await userEvent.type(screen.getByRole('textbox', { name: 'Time, min' }), '12,5');
  await tickAll();
  await press('Nothing new on the others');
  await press('Keep this run');
  await waitFor(() => expect(asked).toHaveLength(1));
  const { run, cautionRead, damage } = asked[0]?.body as { run: ReturnType<typeof rightRun> } & Record<string, unknown>;
  expect([cautionRead, damage, run.method]).toEqual([true, {}, 'parts washer']);
  expect(run.facts).toEqual({ bath: 'bath 1', temperature: 60, minutes: 12.5, rinsed: true, dried: true, oiled: true });
  expect(Object.values(run.seen).every((seen) => seen === 'nothing')).toBe(true);
  expect(Object.keys(run.seen)).toEqual(run.parts);
});

test('what is seen on a part when it is clean goes out in words', async () => {
  const asked = answerFetch(() => done);
  show();
  await press(/^parts washer/);
  await tickAll();
  const [first] = screen.getAllByRole('button', { name: /: damage seen$/ });
  const name = first?.getAttribute('aria-label')?.split(',')[0] ?? '';
  if (first) await userEvent.click(first);
  await userEvent.type(screen.getByRole('textbox', { name: `What is seen on the ${name.toLowerCase()}` }), 'a crack');
  await press('Nothing new on the others');
  await press('Keep this run');
  await waitFor(() => expect(asked).toHaveLength(1));
  const ref = exampleFamily.parts.find((part) => part.name === name)?.ref ?? '';
  expect(asked[0]?.body).toMatchObject({ damage: { [ref]: 'a crack' }, run: { seen: { [ref]: 'something' } } });
});

test('blasting asks for each mask by itself, and a part that it spoils cannot be in the run', async () => {
  show();
  await press('blasting');
  const masks = screen.getByRole('group', { name: 'Covered before it, each by itself' });
  for (const mask of maskList) within(masks).getByRole('button', { name: `${mask}: masked` });
  const shaft = exampleFamily.parts.find((part) => part.picture === 'shaft');
  const row = screen.getByRole('checkbox', { name: new RegExp(`^${shaft?.name} ${shaft?.material}`) });
  expect(row).toBeDisabled();
  expect(row.closest('li')).toHaveTextContent('a ground shaft loses its size');
});

test('what is refused is said, and what was filled in stays', async () => {
  answerFetch(() => refusal('parts washer: “Bath” is not answered; without it the run is no record.'));
  show();
  await press(/^parts washer/);
  await userEvent.type(screen.getByRole('textbox', { name: 'Time, min' }), '12');
  await press('Keep this run');
  expect(await screen.findByRole('alert')).toHaveTextContent('“Bath” is not answered');
  expect(screen.getByRole('textbox', { name: 'Time, min' })).toHaveValue('12');
});

test('runs so far say their method, what was asked, who, and what was seen', () => {
  const record = atClean();
  const [part] = hard;
  const ref = part?.ref ?? '';
  const body = { ...rightRun('parts washer', [ref]), seen: { [ref]: 'something' as const } };
  const who = { personId: null, personName: 'Odile', at: '2026-11-24T10:00:00.000Z' };
  show({ ...record, sheets: [{ kind: 'cleaning', key: '1', version: 1, body, ...who }] });
  const runs = screen.getByRole('region', { name: 'Runs' });
  expect(runs).toHaveTextContent(/parts washer; bath 1, alkaline; temperature 60 °C; time 12 min; rinsed; dried/);
  expect(runs).toHaveTextContent(`Seen when clean: ${part?.name}, a finding each`);
  expect(runs).toHaveTextContent('Odile');
});

test('a pump with an unknown residue says that nothing is scraped or blasted', () => {
  const record = atClean();
  show({ ...record, intake: { ...record.intake, liquidState: 'not known' } });
  expect(screen.getByRole('alert')).toHaveTextContent('nothing is scraped or blasted until a named person allows it');
});

test('a run that is half filled in stays on the device, and is gone when it is kept', async () => {
  answerFetch(() => done);
  const { unmount } = show();
  await press(/^parts washer/);
  await userEvent.type(screen.getByRole('textbox', { name: 'Bath' }), 'bath 1');
  await press('Nothing new on the others');
  unmount();
  const again = show();
  await press(/^parts washer/);
  expect(screen.getByRole('textbox', { name: 'Bath' })).toHaveValue('bath 1');
  expect(screen.getAllByRole('button', { name: /: nothing new$/, pressed: true }).length).toBeGreaterThan(0);
  await press('Keep this run');
  await waitFor(() => expect(screen.queryByRole('region', { name: 'Run: parts washer' })).toBeNull());
  again.unmount();
  show();
  await press(/^parts washer/);
  expect(screen.getByRole('textbox', { name: 'Bath' })).toHaveValue('');
});
