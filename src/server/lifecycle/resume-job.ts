import * as z from 'zod';
import { changeJob } from '../change-job';
import { defineUseCase, tagField } from '../use-case';

export const resumeJob = defineUseCase({
  verb: 'resume-job',
  audience: ['coordinator'],
  input: z.strictObject({ tag: tagField }),
  async run(context, { tag }) {
    return changeJob(context, { tag, kind: 'resume' }, async () => ({ result: {}, data: {}, move: 'resume' }));
  },
});
