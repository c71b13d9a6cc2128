import AdjustIcon from '@mui/icons-material/Adjust';
import BlurOnIcon from '@mui/icons-material/BlurOn';
import CheckIcon from '@mui/icons-material/Check';
import FingerprintIcon from '@mui/icons-material/Fingerprint';
import UnfoldMoreIcon from '@mui/icons-material/UnfoldMore';
import VisibilityIcon from '@mui/icons-material/Visibility';
import VisibilityOffIcon from '@mui/icons-material/VisibilityOff';
import WorkspacePremiumIcon from '@mui/icons-material/WorkspacePremium';
import type { ReactNode } from 'react';
import type { State } from '../../core/judgement/state';
import { TEXT } from '../../text/components/common';

const LOOK: Readonly<Record<State, { word: string; icon: typeof CheckIcon }>> = {
  gap: { word: TEXT.gap, icon: UnfoldMoreIcon },
  borderline: { word: TEXT.borderline, icon: AdjustIcon },
  'on-target': { word: TEXT.onTarget, icon: CheckIcon },
  strength: { word: TEXT.strength, icon: WorkspacePremiumIcon },
  'within-error': { word: TEXT.withinError, icon: BlurOnIcon },
  'not-measurable': { word: TEXT.notMeasurable, icon: VisibilityOffIcon },
  'not-judged': { word: TEXT.shownOnly, icon: VisibilityIcon },
  style: { word: TEXT.style, icon: FingerprintIcon },
};

/** A state as a word and an icon besides its colour. */
export function StateMark({ state }: { readonly state: State }): ReactNode {
  const { word, icon: Icon } = LOOK[state];
  return (
    <span className={`state ${state}`}>
      <Icon aria-hidden />
      {word}
    </span>
  );
}
