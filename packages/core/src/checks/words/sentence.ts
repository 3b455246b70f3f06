/** The message of a finding. */
export interface Sentence {
  /** What is wrong, with the numbers. */
  readonly says: string;
  /** Why it matters. */
  readonly why: string;
}

export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
