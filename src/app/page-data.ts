import { headers } from 'next/headers';
import { asText, dataOfPages, type Sent } from '@/components/ui/as-text';

/**
 * Sends a component its props, plain data, to a component that `ofText` made. In a page that comes whole they are
 * written once, as data in it; where the framework follows a link they go along as text.
 * @example <FloorOfText {...await sent<typeof Floor>(floor)} />
 */
export async function sent<Shown extends (props: never) => unknown>(
  props: Parameters<Shown>[0] & object,
): Promise<Sent> {
  const id = (await headers()).get('x-page-data') ?? '';
  const page = dataOfPages()?.get(id);
  if (!page) return { text: asText<Shown>(props) };
  const at = `data-${page.size}`;
  page.set(at, props);
  return { at, id };
}
