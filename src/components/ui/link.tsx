import NextLink from 'next/link';
import type { ComponentProps } from 'react';

type Props = Omit<ComponentProps<typeof NextLink>, 'prefetch'>;

/**
 * A link to another page of the shop. Nothing is fetched before it is followed: a page of the shop changes all the time,
 * and fetching what eight links of a head lead to cost more than the page itself.
 */
export function Link(props: Props) {
  return <NextLink {...props} prefetch={false} />;
}
