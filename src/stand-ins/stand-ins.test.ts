import { present } from '@/core/present';
import { partPictures } from '@/core/record';
import sharp from 'sharp';
import {
  simulatedCamera,
  simulatedGauge,
  simulatedMail,
  simulatedScanner,
  simulatedSupplier,
  simulatedTestStand,
  DeviceError,
} from '.';
import type { Camera, Gauge, Mail, Scanner, Supplier, TestStand } from './contract';

/** What any gauge, camera, supplier, mail service and stand must do; the simulated ones and a real driver alike. */
function gaugeContract(name: string, gauge: Gauge): void {
  test(`${name} types a plain number in millimetres with the digits asked for`, async () => {
    const { typed, unit } = await gauge.takeReading({
      job: 'P-1',
      phase: 'as-found',
      point: 'p',
      place: 'A:0',
      digits: 3,
      unit: 'mm',
      asNew: { min: 45.002, max: 45.013 },
      reuse: { min: 44.998 },
    });
    expect(typed).toMatch(/^\d+\.\d{3}$/);
    expect(unit).toBe('mm');
  });
}
function cameraContract(name: string, camera: Camera): void {
  test(`${name} gives a picture that can be decoded`, async () => {
    const { bytes } = await camera.takePicture({ seed: 's', subject: 'impeller', label: 'P-0417 Impeller' });
    const { width, height, format } = await sharp(bytes).metadata();
    expect([format === 'jpeg' || format === 'png', present(width) >= 640, present(height) >= 480]).toEqual([
      true,
      true,
      true,
    ]);
  });
}
const orderLine = (lineId: string, quantity: number, leadDays: number) => ({
  ...{ lineId, partNumber: lineId, elastomer: '', quantity, leadDays, priceMinor: 1000 },
});
const house = { supplier: 'Sillwater Pump Parts', placedOn: '2026-11-24' };
function supplierContract(name: string, supplier: Supplier): void {
  const order = (number: string) => ({ ...house, number, lines: [orderLine('a', 3, 5), orderLine('b', 1, 9)] });
  test(`${name} acknowledges with a date not before the longest lead time`, async () => {
    const { reference, dueOn } = await supplier.acknowledge(order('PO-1'));
    expect(reference.length).toBeGreaterThan(0);
    expect(dueOn >= '2026-12-03').toBe(true);
  });
  test(`${name} takes an order that comes twice as one`, async () => {
    expect(await supplier.acknowledge(order('PO-7'))).toEqual(await supplier.acknowledge(order('PO-7')));
  });
  test(`${name} names a day for each line, none after the order's`, async () => {
    const { dueOn, lines = [] } = await supplier.acknowledge(order('PO-3'));
    expect(lines.every((line) => line.dueOn <= dueOn && ['a', 'b'].includes(line.lineId))).toBe(true);
  });
  test(`${name} comes forward when asked, never to a later day nor to one before the order`, async () => {
    const dueOn = '2026-12-04';
    for (const wantedOn of ['2026-11-20', '2026-11-29', '2026-12-03']) {
      const answer = await supplier.expedite({ ...order('PO-5'), dueOn }, wantedOn);
      expect(answer.dueOn <= dueOn && answer.dueOn > house.placedOn && answer.surchargeMinor >= 0).toBe(true);
    }
  });
  test(`${name} strikes off at most what it is asked to`, async () => {
    const asked = [{ lineId: 'a', quantity: 2 }];
    for (const today of ['2026-11-25', '2026-12-04']) {
      const { lines } = await supplier.cancel({ ...order('PO-6'), dueOn: '2026-12-04' }, asked, today);
      expect(lines.every(({ lineId, quantity }) => lineId === 'a' && quantity <= 2)).toBe(true);
    }
  });
  test(`${name} adds at most what it is asked for, by a day that is not past`, async () => {
    const asked = [{ lineId: 'a', quantity: 2 }];
    for (const today of ['2026-11-25', '2026-12-04']) {
      const { lines, dueOn } = await supplier.add({ ...order('PO-6'), dueOn: '2026-12-04' }, asked, today);
      expect(lines.every(({ lineId, quantity }) => lineId === 'a' && quantity <= 2)).toBe(true);
      expect(dueOn >= today).toBe(true);
    }
  });
  test(`${name} sends nothing before its day, something on it, and in the end exactly what was ordered`, async () => {
    for (const only of [false, true])
      for (let n = 1; n <= 12; n++) {
        const one = only ? { ...order(`PO-${n}`), lines: order('').lines.slice(1) } : order(`PO-${n}`);
        const { dueOn } = await supplier.acknowledge(one);
        expect((await supplier.parcelBy({ ...one, sentBefore: {} }, one.placedOn)).lines).toEqual([]);
        const sent: Record<string, number> = {};
        for (let parcel = 0, day = dueOn; parcel < 3; parcel++) {
          const { lines, restOn } = await supplier.parcelBy({ ...one, sentBefore: { ...sent } }, day);
          expect(lines.length).toBeGreaterThan(0);
          for (const { lineId, quantity } of lines) sent[lineId] = (sent[lineId] ?? 0) + quantity;
          if (!restOn) break;
          expect(restOn > day).toBe(true);
          day = restOn;
        }
        expect(sent).toEqual(only ? { b: 1 } : { a: 3, b: 1 });
      }
  });
}
function standContract(name: string, stand: TestStand): void {
  const ask = {
    seed: 's',
    rated: { flowM3h: 60, headM: 38, speedRpm: 2900, efficiencyPct: 70 },
    pipeMm: { suction: 65, discharge: 50 },
    flowShares: [0, 0.5, 1, 1.2],
    condition: 'sound' as const,
  };
  test(`${name} reads all gauges at each flow of the plan, rising in flow`, async () => {
    const points = await stand.run(ask);
    expect(points).toHaveLength(4);
    points.forEach((point, i) => {
      expect(Object.values(point).every(Number.isFinite)).toBe(true);
      if (i) expect(point.flowM3h).toBeGreaterThan(present(points[i - 1]).flowM3h);
    });
  });
}
function mailContract(name: string, make: (keep: (to: string, subject: string) => void) => Mail): void {
  test(`${name} delivers address and subject as they are`, async () => {
    const sent: string[] = [];
    await make((to, subject) => sent.push(`${to} ${subject}`)).send({
      id: 'mail-1',
      jobId: 'job-1',
      sentAt: new Date('2026-11-24T08:00:00Z'),
      to: 'fern@garden.example',
      subject: 'Quote',
      body: 'b',
    });
    expect(sent).toEqual(['fern@garden.example Quote']);
  });
}

gaugeContract('the simulated gauge', simulatedGauge);
cameraContract('the simulated camera', simulatedCamera);
supplierContract('the simulated supplier', simulatedSupplier);
standContract('the simulated stand', simulatedTestStand);
mailContract('the simulated mail', (keep) => simulatedMail(async (mail) => keep(mail.to, mail.subject)));

test('the piece that is missing does not hang on the order of the lines', async () => {
  const lines = ['a', 'b', 'c', 'd', 'e', 'f', 'g'].map((lineId) => orderLine(lineId, 2, 1));
  for (let n = 0; n < 20; n++) {
    const sentOf = async (given: typeof lines) => {
      const { lines: sent } = await simulatedSupplier.parcelBy(
        { ...house, number: `PO-${n}`, lines: given, sentBefore: {} },
        '2027-02-01',
      );
      return Object.fromEntries(sent.map((line) => [line.lineId, line.quantity]));
    };
    expect(await sentOf([...lines].reverse())).toEqual(await sentOf(lines));
  }
});

test('some parcels are short and most are not', async () => {
  let short = 0;
  for (let n = 0; n < 60; n++) {
    const order = { ...house, number: `PO-${n}`, lines: [orderLine('a', 2, 1)] };
    const { dueOn } = await simulatedSupplier.acknowledge(order);
    if ((await simulatedSupplier.parcelBy({ ...order, sentBefore: {} }, dueOn)).restOn) short++;
  }
  expect(short).toBeGreaterThan(8);
  expect(short).toBeLessThan(40);
});

test('a gauge reads the same part alike, as-left parts as new', async () => {
  const ask = {
    job: 'P-0417',
    phase: 'as-left' as const,
    point: 'wet-seat',
    place: 'A:0',
    digits: 3,
    unit: 'mm',
    asNew: { min: 45.002, max: 45.013 },
    reuse: { min: 44.998 },
  };
  expect(await simulatedGauge.takeReading(ask)).toEqual(await simulatedGauge.takeReading(ask));
  for (let job = 0; job < 20; job++) {
    const value = Number((await simulatedGauge.takeReading({ ...ask, job: `P-${job}` })).typed);
    expect(value >= 45.002 && value <= 45.013).toBe(true);
  }
});

test('no two pictures are alike', async () => {
  const seen = new Set<string>();
  for (const subject of partPictures)
    for (const seed of ['a', 'b'])
      seen.add((await simulatedCamera.takePicture({ seed, subject, label: 'x' })).bytes.toString('base64'));
  expect(seen.size).toBe(partPictures.length * 2);
});

test('a label from people cannot break the picture', async () => {
  const { bytes } = await simulatedCamera.takePicture({ seed: 's', subject: 'ring', label: '<script>&"\'' });
  expect((await sharp(bytes).metadata()).width).toBeGreaterThan(0);
});

test('the stand scatters, but by little: repeats differ by less than two per cent', async () => {
  const ask = {
    seed: '1',
    rated: { flowM3h: 60, headM: 38, speedRpm: 2900, efficiencyPct: 70 },
    pipeMm: { suction: 65, discharge: 50 },
    flowShares: [1],
    condition: 'sound' as const,
  };
  const [one, other] = await Promise.all([simulatedTestStand.run(ask), simulatedTestStand.run({ ...ask, seed: '2' })]);
  expect(present(present(one)[0]).flowM3h).not.toBe(present(present(other)[0]).flowM3h);
  expect(Math.abs(present(present(one)[0]).flowM3h / present(present(other)[0]).flowM3h - 1)).toBeLessThan(0.02);
});

test('a device that fails says which', () =>
  expect(new DeviceError('gauge', 'no battery')).toMatchObject({ device: 'gauge', message: 'no battery' }));

function scannerContract(name: string, scanner: Scanner): void {
  const bag = { number: 'KW1-0602', elastomer: 'EPDM', variant: '', lot: 'L17' };
  test(`${name} reads number, elastomer, variant and lot off the bag before it, and says when there is none`, async () => {
    expect(await scanner.readBag({ order: 'PO-1', lying: [bag] })).toEqual(bag);
    await expect(scanner.readBag({ order: 'PO-1', lying: [] })).rejects.toMatchObject({ device: 'scanner' });
  });
}
scannerContract('the simulated scanner', simulatedScanner);

describe('each simulated house has its own fault', () => {
  const of = (supplier: string) => ({
    ...{ ...house, supplier, number: 'PO-8' },
    lines: [{ ...orderLine('a', 1, 4), elastomer: 'EPDM' }, orderLine('b', 1, 4)],
  });
  test('one is dearer than its list, and says so when it acknowledges', async () => {
    const { lines = [] } = await simulatedSupplier.acknowledge(of('Tarrowby Bearings'));
    expect(lines.map(({ priceMinor }) => priceMinor)).toEqual([1060, undefined]);
  });
  test('one moves its day when the parcel is asked for', async () => {
    const order = of('Kestrel Yard Castings');
    const { dueOn } = await simulatedSupplier.acknowledge(order);
    const { lines, restOn } = await simulatedSupplier.parcelBy({ ...order, sentBefore: {} }, dueOn);
    expect(lines).toEqual([]);
    expect(Date.parse(restOn ?? '') - Date.parse(dueOn)).toBe(4 * 86_400_000);
  });
  test('one sends castings of another metal first, where a number is made in several', async () => {
    const cast = { ...orderLine('a', 1, 4), variant: 'bronze' };
    const order = { ...of('Kestrel Yard Castings'), lines: [cast, orderLine('b', 2, 4)] };
    const variantOf = async (sentBefore: Record<string, number>, lineId: string) =>
      (await simulatedSupplier.parcelBy({ ...order, sentBefore }, '2027-01-01')).lines.find(
        (line) => line.lineId === lineId,
      )?.marked?.variant;
    expect(await variantOf({}, 'a')).toBe('cast iron');
    expect(await variantOf({ b: 1 }, 'a')).toBe('bronze');
    expect(await variantOf({ b: 1 }, 'b')).toBe('');
  });
  test('one sends rings of another rubber first, and the right ones after', async () => {
    const order = of('Hollowmere Seals');
    const parcel = (sent: number) =>
      simulatedSupplier.parcelBy({ ...order, sentBefore: { a: 0, b: sent } }, '2027-01-01');
    const rubberOf = async (sent: number) =>
      (await parcel(sent)).lines.find(({ lineId }) => lineId === 'a')?.marked?.elastomer;
    expect([await rubberOf(0), await rubberOf(1)]).toEqual(['NBR', 'EPDM']);
  });
});
