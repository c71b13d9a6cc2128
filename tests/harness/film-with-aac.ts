import { registerAacEncoder } from '@mediabunny/aac-encoder';
import '../../src/application/export/film-worker';

/** The worker that makes films in a browser that encodes AAC, as most do: the one of the tests does not. */
registerAacEncoder();
