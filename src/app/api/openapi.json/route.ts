import { describeOpenApi, sums } from '@/core/sums';
import { version } from '../../../../package.json';

const described = describeOpenApi({ sums, version });

export function GET(): Response {
  return Response.json(described, { headers: { 'access-control-allow-origin': '*' } });
}
