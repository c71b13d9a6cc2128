import type { Issue, Result } from '../core/result';

/** An open format: recognised by its content, read into a document, written from one. */
export interface Format<Document, C extends string = string> {
  readonly id: string;
  readonly name: string;
  readonly extension: string;
  readonly sniff: (text: string) => boolean;
  readonly read?: (text: string, fileName: string) => Result<Document, Issue<C>>;
  readonly write?: (document: Document) => string;
}
