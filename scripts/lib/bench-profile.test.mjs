import { timeByGroup } from './bench-profile.mjs';

const node = (
  /** @type {number} */ id,
  /** @type {string} */ url,
  /** @type {number[]} */ children = [],
  functionName = 'f',
) => ({
  ...{ id, children, callFrame: { functionName, url } },
});

test('the time of a profile is summed by where it was spent; what has no place is of who called it', () => {
  const profile = {
    nodes: [
      node(1, '', [2, 4, 6, 7], '(root)'),
      node(2, 'file:///a/.next/server/chunks/ssr/src_core.js', [3]),
      node(3, '', [], 'stringify'),
      node(4, 'file:///a/node_modules/next/dist/compiled/next-server/app-page-turbo.runtime.prod.js', [5]),
      node(5, 'node:internal/streams/readable'),
      node(6, '', [], '(garbage collector)'),
      node(7, '', [], '(idle)'),
    ],
    samples: [2, 3, 4, 5, 6, 7, 1],
    timeDeltas: [1000, 2000, 4000, 8000, 16_000, 32_000, 500],
  };
  expect(timeByGroup(profile)).toEqual({
    ...{ 'our own and its packages': 3, 'React and Next': 4, 'Node: streams, sockets, promises': 8 },
    ...{ 'memory given back': 16, 'the rest': 0.5, 'database driver': 0, 'our server': 0 },
  });
});
