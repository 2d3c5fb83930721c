import type * as Server from '@/server';

type Served = typeof Server;
type ReadName = {
  [Name in keyof Served]: Served[Name] extends { readonly verb: string; readonly run: unknown } ? Name : never;
}[keyof Served];
type Read<Name extends ReadName> =
  Served[Name] extends Server.UseCase<infer Input, infer Result>
    ? { readonly input: Input; readonly result: Result }
    : never;

const shared = globalThis as { puddlestoneServer?: Served };

/** Says what pages are served from, once for a process (`app/api/begin`). */
export function serveBy(server: Served): void {
  shared.puddlestoneServer = server;
}

/**
 * What pages are served from: the use cases as the route handlers have them. A build makes two bundles of everything
 * that a page and a handler both import, and each process holds both; so pages import only types of the server.
 */
export function served(): Served {
  if (!shared.puddlestoneServer) throw new Error('Pages are served by scripts/serve-next.mjs, which begins with that');
  return shared.puddlestoneServer;
}

/** Reads by a use case, as `perform` does. Throws DomainError for what was foreseen. */
export function read<Name extends ReadName>(
  name: Name,
  context: Server.Context,
  input: Parameters<Served['perform']>[2],
): Promise<Read<Name>['result']> {
  const { perform, [name]: useCase } = served();
  return perform(useCase as Server.UseCase<Read<Name>['input'], Read<Name>['result']>, context, input);
}
