import type { create } from 'xmlbuilder2';
import { standingOf, totalOf, type ShopOrder, type ShopOrderLine } from '@/core/purchasing';

const basic = 'urn:oasis:names:specification:ubl:schema:xsd:CommonBasicComponents-2';
const aggregate = 'urn:oasis:names:specification:ubl:schema:xsd:CommonAggregateComponents-2';
const document = 'urn:oasis:names:specification:ubl:schema:xsd:Order-2';

export interface OrderParties {
  readonly shop: { readonly name: string; readonly place: string };
  readonly supplier: {
    readonly name: string;
    readonly contact: string;
    readonly email: string;
    readonly telephone: string;
  };
}

type Builder = ReturnType<typeof create>;

const money = (minor: number) => (minor / 100).toFixed(2);

/** An element only where it says something. */
function text(at: Builder, name: string, value: string, attributes: Readonly<Record<string, string>> = {}): void {
  if (value) at.ele(basic, `cbc:${name}`, attributes).txt(value);
}

interface Party {
  readonly name: string;
  readonly place?: string;
  readonly contact?: string;
  readonly email?: string;
  readonly telephone?: string;
}

function writeParty(at: Builder, role: string, { name, place = '', contact = '', email = '', telephone = '' }: Party) {
  const party = at.ele(aggregate, `cac:${role}`).ele(aggregate, 'cac:Party');
  text(party.ele(aggregate, 'cac:PartyName'), 'Name', name);
  if (place) text(party.ele(aggregate, 'cac:PostalAddress'), 'CityName', place);
  if (!contact && !email && !telephone) return;
  const own = party.ele(aggregate, 'cac:Contact');
  text(own, 'Name', contact);
  text(own, 'Telephone', telephone);
  text(own, 'ElectronicMail', email);
}

/** Recommendation 20 of UN/CEFACT: one piece. */
const piece = { unitCode: 'C62' };

function writeLine(at: Builder, line: ShopOrderLine, currencyID: string): void {
  const quantity = standingOf(line);
  const price = line.saidPriceMinor ?? line.priceMinor;
  const own = at.ele(aggregate, 'cac:OrderLine').ele(aggregate, 'cac:LineItem');
  text(own, 'ID', String(line.position));
  text(own, 'Quantity', String(quantity), piece);
  if (price !== null) text(own, 'LineExtensionAmount', money(price * quantity), { currencyID });
  if (line.dueOn) {
    const period = own.ele(aggregate, 'cac:Delivery').ele(aggregate, 'cac:RequestedDeliveryPeriod');
    text(period, 'EndDate', line.dueOn);
  }
  if (price !== null) {
    const priced = own.ele(aggregate, 'cac:Price');
    text(priced, 'PriceAmount', money(price), { currencyID });
    text(priced, 'BaseQuantity', '1', piece);
  }
  const item = own.ele(aggregate, 'cac:Item');
  if (line.kind === 'kit')
    for (const { number, quantity: count, struck } of line.pieces)
      text(item, 'Description', `${count - struck} × ${number}`);
  text(item, 'Name', line.title);
  text(item.ele(aggregate, 'cac:SellersItemIdentification'), 'ID', line.code);
  for (const elastomer of new Set(line.pieces.map((one) => one.elastomer).filter(Boolean))) {
    const property = item.ele(aggregate, 'cac:AdditionalItemProperty');
    text(property, 'Name', 'Elastomer');
    text(property, 'Value', elastomer);
  }
}

/**
 * An order as an Order document of OASIS UBL 2.1: parties, lines with quantity, price, day and the supplier's code,
 * freight as a charge, and the sum. Money has two decimals.
 * Source: OASIS Universal Business Language 2.1 (ISO/IEC 19845), document type Order.
 */
export async function writeOrderUbl(order: ShopOrder, { shop, supplier }: OrderParties): Promise<string> {
  const { create } = await import('xmlbuilder2');
  const { goodsMinor, freightMinor, totalMinor } = totalOf(order);
  const currencyID = order.currency;
  const root = create({ version: '1.0', encoding: 'UTF-8' }).ele(document, 'Order');
  root
    .att('http://www.w3.org/2000/xmlns/', 'xmlns:cac', aggregate)
    .att('http://www.w3.org/2000/xmlns/', 'xmlns:cbc', basic);
  text(root, 'UBLVersionID', '2.1');
  text(root, 'ID', order.number);
  text(root, 'IssueDate', order.placedOn);
  text(root, 'DocumentCurrencyCode', order.currency);
  text(root, 'LineCountNumeric', String(order.lines.length));
  writeParty(root, 'BuyerCustomerParty', { ...shop, contact: order.personName });
  writeParty(root, 'SellerSupplierParty', supplier);
  if (freightMinor > 0) {
    const charge = root.ele(aggregate, 'cac:AllowanceCharge');
    text(charge, 'ChargeIndicator', 'true');
    text(charge, 'AllowanceChargeReason', 'Freight');
    text(charge, 'Amount', money(freightMinor), { currencyID });
  }
  const sums = root.ele(aggregate, 'cac:AnticipatedMonetaryTotal');
  text(sums, 'LineExtensionAmount', money(goodsMinor), { currencyID });
  text(sums, 'ChargeTotalAmount', money(freightMinor), { currencyID });
  text(sums, 'PayableAmount', money(totalMinor), { currencyID });
  for (const line of order.lines) writeLine(root, line, currencyID);
  return root.end({ prettyPrint: true });
}
