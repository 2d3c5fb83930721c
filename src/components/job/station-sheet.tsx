'use client';

import dynamic from 'next/dynamic';
import type { ComponentType } from 'react';
import type { Station } from '@/core/record';
import type { SheetProps } from './view';

/** One sheet a station; each is fetched only when it is shown. */
const sheets: Readonly<Record<Station, ComponentType<SheetProps>>> = {
  receive: dynamic(() => import('../receive/receive-sheet').then((module) => module.ReceiveSheet)),
  teardown: dynamic(() => import('../bench/teardown-sheet').then((module) => module.TeardownSheet)),
  clean: dynamic(() => import('../bench/clean-sheet').then((module) => module.CleanSheet)),
  inspect: dynamic(() => import('../inspect/inspect-sheet').then((module) => module.InspectSheet)),
  quote: dynamic(() => import('../quote/quote-sheet').then((module) => module.QuoteSheet)),
  approve: dynamic(() => import('../quote/approve-sheet').then((module) => module.ApproveSheet)),
  parts: dynamic(() => import('../parts/parts-sheet').then((module) => module.PartsSheet)),
  rebuild: dynamic(() => import('../bench/rebuild-sheet').then((module) => module.RebuildSheet)),
  test: dynamic(() => import('../stand/test-sheet').then((module) => module.TestSheet)),
  report: dynamic(() => import('../report/report-sheet').then((module) => module.ReportSheet)),
  return: dynamic(() => import('../report/return-sheet').then((module) => module.ReturnSheet)),
};

export function StationSheet({ station, ...props }: SheetProps & { readonly station: Station }) {
  const Sheet = sheets[station];
  return <Sheet {...props} />;
}
