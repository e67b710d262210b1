/** Whether a text has signs that may say how words look, or where they lead. */
export const isMarkedUp = (text: string): boolean => /[*_[\\]/.test(text);
