import type { Issue, Result } from '../core/result';

/** Reads an open format, which is recognised by its content. */
export interface FormatReader<Document, C extends string = string> {
  readonly id: string;
  readonly name: string;
  readonly extension: string;
  readonly sniff: (text: string) => boolean;
  readonly read: (text: string, fileName: string) => Result<Document, Issue<C>>;
}

/** Writes an open format. */
export interface FormatWriter<Document> {
  readonly write: (document: Document) => string;
}
