import { startTransition } from 'react';
import { hydrateRoot } from 'react-dom/client';
import { Alive } from '@/components/shell/alive';
import { CustomerPage } from '@/components/customer/customer-page';

/**
 * What a customer's page needs to be answered: this alone comes with it (`scripts/lib/without-framework`), made of the
 * same components that drew it. It is readable before.
 */
const [place, data] = ['offer', 'offer-data'].map((id) => document.getElementById(id));
if (place && data) {
  const props = JSON.parse(data.textContent) as Parameters<typeof CustomerPage>[0];
  // In small pieces of time: it stands already, and whoever reads and scrolls is not held up.
  startTransition(() => {
    hydrateRoot(
      place,
      <>
        <CustomerPage {...props} />
        <Alive />
      </>,
    );
  });
}
