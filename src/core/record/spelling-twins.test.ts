import { serialKey } from './ids';
import { piecesOfName, spellingTwins } from './spelling-twins';

const known = ['Café Sillwater', 'Harrowmere Paddle Ferry', 'Vantry Board Mill', 'Ulm'];

test.each([
  ['Cafe Sillwater', ['Café Sillwater']],
  ['cafe  sillwater.', ['Café Sillwater']],
  ['Harowmere Padle Ferry', ['Harrowmere Paddle Ferry']],
  ['Vantry Bord Mil', ['Vantry Board Mill']],
  ['Ulme', ['Ulm']],
])('“%s” may be meant as %j', (typed, twins) => expect(spellingTwins(typed, known)).toEqual(twins));

test.each([
  ['a known name is meant as it stands', 'Vantry Board Mill'],
  ['three letters apart is another', 'Vantry Bord Mll Co'],
  ['two letters apart is another where the name is short', 'Olms'],
  ['nothing typed is nobody', '  .'],
])('%s', (_what, typed) => expect(spellingTwins(typed, known)).toEqual([]));

test.each([
  ['Vantry Bord Mil', ['vantr', 'ybord', 'mil']],
  ['Ulme', ['ul', 'me']],
  ['É', ['e']],
  [' .', []],
])('“%s” is looked for by %j', (typed, pieces) => expect(piecesOfName(typed)).toEqual(pieces));

test('one piece at least stands whole in every name that may be meant', () => {
  const whole = 'harrowmerepaddleferry';
  const holds = (name: string) => piecesOfName(name).some((piece) => whole.includes(piece));
  for (const [i] of [...whole].entries())
    for (const [k] of [...whole].entries())
      expect(holds([...whole].map((letter, at) => (at === i || at === k ? '7' : letter)).join(''))).toBe(true);
});

test('the nearest comes first, each once', () =>
  expect(spellingTwins('Vantry Board Mil', ['Vantry Bord Mill', 'Vantry Board Mill', 'Vantry Board Mill'])).toEqual([
    ...['Vantry Board Mill', 'Vantry Bord Mill'],
  ]));

test.each([
  ['QB-22 871', 'qb22871', true],
  ['QB.22/871', 'QB 22871', true],
  ['QB-22871', 'QB-22871A', false],
  ['É-1', 'E-1', false],
])('serial numbers %s and %s are one: %s', (one, other, isOne) =>
  expect(serialKey(one) === serialKey(other)).toBe(isOne),
);
