import fc from 'fast-check';
import { chooseField, mergeDraft } from './merge-draft';

const base = { liquid: 'pond water', hazards: 'none', hours: '100' };

test('a draft of what nobody else touched stands as it was typed', () => {
  const mine = { ...base, liquid: 'brine' };
  expect(mergeDraft({ base, mine }, base)).toEqual({ fields: mine, conflicts: [], taken: [] });
});
test('fields that only somebody else changed are taken from there, and said', () => {
  const merged = mergeDraft({ base, mine: { ...base, liquid: 'brine' } }, { ...base, hazards: 'acid' });
  expect(merged).toEqual({
    fields: { liquid: 'brine', hazards: 'acid', hours: '100' },
    conflicts: [],
    taken: ['hazards'],
  });
});
test('a field that both changed is a person’s choice, and what was typed is still there', () => {
  const merged = mergeDraft({ base, mine: { ...base, liquid: 'brine' } }, { ...base, liquid: 'glycol' });
  expect(merged.conflicts).toEqual(['liquid']);
  expect(merged.fields.liquid).toBe('brine');
});
test('two who typed the same have nothing to choose', () => {
  const same = { ...base, liquid: 'brine' };
  expect(mergeDraft({ base, mine: same }, same)).toEqual({ fields: same, conflicts: [], taken: [] });
});
test.each(['mine', 'theirs'] as const)(
  'after choosing %s the field is settled, and the others are as they were',
  (stands) => {
    const draft = { base, mine: { ...base, liquid: 'brine', hours: '120' } };
    const now = { ...base, liquid: 'glycol', hazards: 'acid' };
    const merged = mergeDraft(chooseField(draft, now, 'liquid', stands), now);
    expect(merged.conflicts).toEqual([]);
    expect(merged.fields).toEqual({
      liquid: stands === 'mine' ? 'brine' : 'glycol',
      hazards: 'acid',
      hours: '120',
    });
  },
);

const fields = fc.record({ a: fc.nat(2), b: fc.nat(2), c: fc.nat(2) });
test('nothing that either side changed is lost without a word', () => {
  fc.assert(
    fc.property(fields, fields, fields, (from, mine, now) => {
      const merged = mergeDraft({ base: from, mine }, now);
      for (const key of ['a', 'b', 'c'] as const) {
        if (mine[key] !== from[key]) expect(merged.fields[key]).toBe(mine[key]);
        else expect(merged.fields[key]).toBe(now[key]);
        const isSaid = merged.conflicts.includes(key) || merged.taken.includes(key);
        if (now[key] !== from[key] && now[key] !== mine[key]) expect(isSaid).toBe(true);
      }
    }),
  );
});
