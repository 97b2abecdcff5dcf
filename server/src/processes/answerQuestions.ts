/** The other side of a pool: answers one question after another, and ends with whoever asks. */
export function answerQuestions<Q, A>(answer: (question: Q) => Promise<A>): void {
  process.on('message', (question: Q) => {
    answer(question)
      .then((said) => process.send!(said))
      .catch(() => process.exit(1));
  });
  // Nothing is left to do for a server that has gone.
  process.on('disconnect', () => process.exit(0));
  process.send!('ready');
}
