import type { ActionWork, StepWork } from '../../bench';
import type { Step, StepAction } from '../../family';
import type { Given } from '../decision';
import type { AnswerAction } from '../inputs';
import type { ToolFacts } from '../use-tool';

/** What is being answered, with everything that it is judged by. */
export interface Answering {
  readonly given: Given<ToolFacts>;
  readonly command: AnswerAction;
  readonly work: StepWork;
  readonly at: ActionWork;
  readonly action: StepAction;
  readonly step: Step;
}
