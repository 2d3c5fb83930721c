/**
 * Props of a component as one text, for what `ofText` makes of it. They must be plain: what JSON does not know, such as
 * dates and functions, does not arrive.
 * @example <FloorOfText text={asText<typeof Floor>(floor)} />
 */
export function asText<Shown extends (props: never) => unknown>(props: Parameters<Shown>[0]): string {
  return JSON.stringify(props);
}
