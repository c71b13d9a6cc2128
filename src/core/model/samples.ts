import { z } from 'zod';
import { TEXT } from '../../text/core/model';

/** Samples of a type, as they are stored. */
export const samples = <T extends object>(type: new (...args: never[]) => T) =>
  z.custom<T>((value) => value instanceof type, TEXT.samplesAreListOfNumbers);
