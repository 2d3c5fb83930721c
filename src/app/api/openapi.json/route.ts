import { describeDoor } from '@/contract/open-api';
import { describeOpenApi, sums } from '@/core/sums';
import { version } from '../../../../package.json';

const described = describeOpenApi({ sums, version, beside: describeDoor() });

export function GET(): Response {
  return Response.json(described, { headers: { 'access-control-allow-origin': '*' } });
}
