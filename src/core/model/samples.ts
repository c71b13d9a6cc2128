import { z } from 'zod';

/** Samples of a type, as they are stored. */
export const samples = <T extends object>(type: new (...args: never[]) => T) =>
  z.custom<T>((value) => value instanceof type, 'Samples are a list of numbers.');
