import { openTestShop, type TestShop } from '../../test-support/open-test-shop';
import { buildsOfDemo, goesThrough } from '../../test-support/whole-way';

let shop: TestShop;
beforeAll(async () => void (shop = await openTestShop('every_family')));
afterAll(() => shop.close());

test.each(buildsOfDemo)('$id goes from receiving to an issued report', (one) => goesThrough(shop, one));
