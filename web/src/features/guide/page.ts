/** A page of docs/, as HTML, with its headings in order. */
export interface DocPage {
  html: string;
  headings: { level: number; id: string; text: string }[];
}
