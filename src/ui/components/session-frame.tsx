import CheckIcon from '@mui/icons-material/Check';
import HelpOutlinedIcon from '@mui/icons-material/HelpOutlined';
import RedoIcon from '@mui/icons-material/Redo';
import UndoIcon from '@mui/icons-material/Undo';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Tooltip from '@mui/material/Tooltip';
import type { ReactNode } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link, NavLink } from 'react-router';
import { useStore } from 'zustand';
import { useDocument } from '../../application/stores/document-store';
import { useSaving } from '../../application/stores/saving';
import { useDerived } from '../../application/analysis/use-derived';
import { redo, undo } from '../../application/session/session-use-cases';
import { STEPS, STEP_NAMES, stepStatus, type Step } from '../../application/session/steps';
import { setView } from '../../application/stores/view-store';
import { useWindow, workHere } from '../../application/stores/windows';
import { HelpSheet } from './help-sheet';
import { JobBar } from './job-bar';
import { TEXT } from '../../text/components/common';

/** A field that has an undo of its own for what is typed into it. */
const typesText = (target: EventTarget | null): boolean =>
  target instanceof HTMLTextAreaElement ||
  (target instanceof HTMLInputElement && !['checkbox', 'radio', 'range', 'button'].includes(target.type));
const HISTORY_KEYS = {
  preventDefault: true,
  enableOnFormTags: true,
  ignoreEventWhen: (event: KeyboardEvent) => typesText(event.target),
};

/** The order of work round every screen of a session, with what to do next in one line. */
export function SessionFrame({ step, children }: { readonly step: Step; readonly children: ReactNode }): ReactNode {
  const derived = useDerived();
  const { session } = derived;
  const role = useWindow((state) => state.role);
  const problem = useSaving((state) => state.problem);
  const past = useStore(useDocument.temporal, (state) => state.pastStates.length);
  const future = useStore(useDocument.temporal, (state) => state.futureStates.length);
  useHotkeys('mod+z', () => undo(), HISTORY_KEYS);
  useHotkeys('mod+shift+z, mod+y', () => redo(), HISTORY_KEYS);
  useHotkeys('shift+slash, ?', () => setView({ helpOpen: true }), { useKey: true });
  return (
    <div className="frame">
      <header>
        <Link to="/" className="brand">
          <img src="/icon.svg" alt="" />
          {TEXT.proudFalcon}
        </Link>
        <span className="session-name" title={session.name}>
          {session.name}
        </span>
        <nav aria-label={TEXT.orderOfWork}>
          <ol className="steps">
            {STEPS.map((s) => (
              <li key={s}>
                <NavLink to={`/s/${session.id}/${s}`}>
                  {STEP_NAMES[s]}
                  {stepStatus(derived, s).done && <CheckIcon titleAccess="done" />}
                </NavLink>
              </li>
            ))}
          </ol>
        </nav>
        <Tooltip title={TEXT.undoCtrlZ}>
          <span>
            <IconButton aria-label={TEXT.undo} color="inherit" disabled={past === 0} onClick={undo}>
              <UndoIcon />
            </IconButton>
          </span>
        </Tooltip>
        <Tooltip title={TEXT.redoCtrlShiftZ}>
          <span>
            <IconButton aria-label={TEXT.redo} color="inherit" disabled={future === 0} onClick={redo}>
              <RedoIcon />
            </IconButton>
          </span>
        </Tooltip>
        <Tooltip title={TEXT.keysLabel}>
          <IconButton aria-label={TEXT.keys} color="inherit" onClick={() => setView({ helpOpen: true })}>
            <HelpOutlinedIcon />
          </IconButton>
        </Tooltip>
      </header>
      {problem !== null && (
        <Alert severity="warning" className="no-print">
          {TEXT.notStoredYetProblemIt(problem)}
        </Alert>
      )}
      {role === 'follower' && (
        <Alert
          severity="info"
          className="no-print"
          action={
            <Button color="inherit" size="small" onClick={() => void workHere()}>
              {TEXT.workHere}
            </Button>
          }
        >
          {TEXT.anotherWindowWritesThisSession}
        </Alert>
      )}
      <div className="guidance">
        <span>{stepStatus(derived, step).next}</span>
        <JobBar />
      </div>
      {children}
      <HelpSheet movement={derived.movement} />
    </div>
  );
}
