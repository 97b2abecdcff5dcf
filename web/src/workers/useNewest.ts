import { useEffect, useRef, useState } from 'react';

/** A question with a number, so that what answers an older one is let go. */
export interface Numbered {
  readonly number: number;
}

/**
 * What a worker of one’s own makes of a question; the newest question is the one that is answered.
 * @param make the same function every time
 * @param question plain data; asked again when it says something else
 */
export function useNewest<Question extends object, Answer>(make: () => Worker, question: Question): Answer | null {
  const worker = useRef<Worker | null>(null);
  const number = useRef(0);
  const [answer, setAnswer] = useState<Answer | null>(null);
  useEffect(() => {
    const made = make();
    made.onmessage = ({ data }: MessageEvent<Numbered & { readonly answer: Answer }>) =>
      data.number === number.current && setAnswer(data.answer);
    worker.current = made;
    return () => made.terminate();
  }, [make]);
  const asked = JSON.stringify(question);
  useEffect(() => {
    number.current += 1;
    worker.current?.postMessage({ ...(JSON.parse(asked) as Question), number: number.current });
  }, [asked]);
  return answer;
}
