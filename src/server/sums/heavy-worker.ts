import { answerTasks } from './answer-tasks';
import { doHeavy } from './heavy-work';

/** Runs in a thread of its own: a proof that takes two seconds must not keep the shop waiting. */
answerTasks(doHeavy);
