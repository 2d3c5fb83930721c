import { put } from '../change';
import { reason, refuse, type Decider } from '../decision';
import type { AnswerQuestion, AskQuestion } from '../inputs';

/** Questions that one link may leave unanswered at once. */
const mostOpen = 10;

/** The customer asks about a quote; the question stays on the job until somebody answers it. */
export const askQuestion: Decider<AskQuestion, { readonly questionId: string }, { readonly questionId: string }> = (
  { record, who, facts },
  { quoteId, name, words },
) => {
  if (!record.quotes.some(({ id, sentAt }) => id === quoteId && sentAt))
    refuse('link-not-valid', reason('no-quote-waiting'));
  if (record.questions.filter(({ answer }) => !answer).length >= mostOpen)
    refuse('wrong-state', reason('questions-open', { most: mostOpen }));
  const { questionId } = facts;
  return {
    puts: [put('question', { id: questionId, quoteId, askedBy: name, askedAt: who.at, words, answer: null })],
    note: { name, words },
    result: { questionId },
  };
};

/** The shop answers a question; the answer stands on the customer's page and is mailed. */
export const answerQuestion: Decider<AnswerQuestion, object> = ({ record, who }, { questionId, words }) => {
  const question = record.questions.find(({ id }) => id === questionId);
  if (!question) return refuse('not-found', reason('unknown-question'));
  if (question.answer)
    refuse(
      'wrong-state',
      reason('question-answered', { person: question.answer.personName, answer: question.answer.words }),
    );
  return {
    puts: [put('question', { ...question, answer: { ...who, words } })],
    note: { question: question.words, words },
    result: {},
    ...(record.contact && { outbox: [{ kind: 'mail-answer', questionId }] }),
  };
};
