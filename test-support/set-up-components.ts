import '@testing-library/jest-dom';
import { configure } from '@testing-library/react';

// On a machine that does something else besides, a second is not long.
configure({ asyncUtilTimeout: 5000 });

/** What the components use of the router; each test may look at what was asked of it. */
export const router = { push: jest.fn(), refresh: jest.fn(), replace: jest.fn() };

jest.mock('next/navigation', () => ({
  useRouter: () => router,
  usePathname: () => '/',
  useSearchParams: () => new URLSearchParams(),
}));

beforeEach(() => {
  localStorage.clear();
  for (const asked of Object.values(router)) asked.mockReset();
});
afterEach(() => jest.restoreAllMocks());

// Nothing is laid out here, and nothing scrolls; a test may watch what would.
Element.prototype.scrollIntoView = () => undefined;
