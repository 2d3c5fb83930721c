import { answerTasks } from '../sums/answer-tasks';
import { writeKnown } from './writers';

/** Runs in a thread of its own: a page of pictures is laid out without the shop waiting for it. */
answerTasks(writeKnown);
