import { keepBodies } from '../application/analysis/space';
import { sweep } from '../application/keeping/kept';
import { shareSessions } from '../application/session/session-use-cases';
import { keepSaved } from '../application/stores/document-store';

// What goes on while sessions are worked on; whoever opens one waits for it.
keepSaved();
shareSessions();
keepBodies();
void sweep();
