import { perform, readSection } from '@/server';
import { writeSectionSvg } from '@/components/signs/section-svg';
import { answerError, answerFile } from '@/app/answer';
import { requestContext } from '@/app/session';

/** A week, in seconds: at its address, which names what it is drawn from, a picture stays as it is. */
const maxAge = 7 * 86_400;

export async function GET(
  _request: Request,
  { params }: { params: Promise<{ id: string; version: string }> },
): Promise<Response> {
  try {
    const { id, version } = await params;
    const drawing = await perform(readSection, await requestContext(), { familyId: id, version });
    return answerFile(Buffer.from(writeSectionSvg(drawing)), `${id}.svg`, { inline: true, maxAge });
  } catch (error) {
    return answerError(error);
  }
}
