/** An age in words: minutes, hours, then days. */
export function sayAge(hours: number): string {
  if (hours < 1) return hours < 1 / 30 ? 'a minute' : `${Math.round(hours * 60)} minutes`;
  if (hours < 48) return Math.round(hours) === 1 ? 'an hour' : `${Math.round(hours)} hours`;
  return `${Math.floor(hours / 24)} days`;
}
