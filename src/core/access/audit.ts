/** How a session was opened. */
export const waysIn = ['password', 'PIN', 'passkey'] as const;
export type WayIn = (typeof waysIn)[number];

/** What is kept for the owner beside what was done: who came in or was refused, and what was taken out. */
export const auditKinds = ['signed in', 'took over', 'refused', 'locked', 'signed out', 'exported'] as const;
export type AuditKind = (typeof auditKinds)[number];

const systems: readonly (readonly [sign: RegExp, name: string])[] = [
  [/iPad/, 'iPad'],
  [/iPhone/, 'iPhone'],
  [/Android/, 'Android'],
  [/Windows/, 'Windows'],
  [/Mac OS X|Macintosh/, 'Mac'],
  [/CrOS/, 'ChromeOS'],
  [/Linux/, 'Linux'],
];
const browsers: readonly (readonly [sign: RegExp, name: string])[] = [
  [/Edg\//, 'Edge'],
  [/Firefox\//, 'Firefox'],
  [/Chrome\//, 'Chrome'],
  [/Safari\//, 'Safari'],
];
const find = (names: readonly (readonly [RegExp, string])[], text: string) =>
  names.find(([sign]) => sign.test(text))?.[1];

/** Browser and system by what a browser says of itself, as people name them: “Firefox on Linux”. */
export function sayAgent(text: string): string {
  return `${find(browsers, text) ?? 'A program'} on ${find(systems, text) ?? 'a device'}`;
}
