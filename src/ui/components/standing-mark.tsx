import AddCircleOutlineIcon from '@mui/icons-material/AddCircleOutlined';
import CheckIcon from '@mui/icons-material/Check';
import DoneAllIcon from '@mui/icons-material/DoneAll';
import RadioButtonUncheckedIcon from '@mui/icons-material/RadioButtonUnchecked';
import ReplayIcon from '@mui/icons-material/Replay';
import TrendingDownIcon from '@mui/icons-material/TrendingDown';
import TrendingUpIcon from '@mui/icons-material/TrendingUp';
import VisibilityIcon from '@mui/icons-material/Visibility';
import type { ReactNode } from 'react';
import type { Standing } from '../../core/coaching/progress';
import { TEXT } from '../../text/components/common';

const LOOK: Readonly<Record<Standing, { word: string; icon: typeof CheckIcon }>> = {
  new: { word: TEXT.new, icon: AddCircleOutlineIcon },
  open: { word: TEXT.open, icon: RadioButtonUncheckedIcon },
  improving: { word: TEXT.improving, icon: TrendingUpIcon },
  worse: { word: TEXT.furtherAway, icon: TrendingDownIcon },
  'on-target-once': { word: TEXT.onTargetNotClosedYet, icon: CheckIcon },
  closed: { word: TEXT.closed, icon: DoneAllIcon },
  'came-back': { word: TEXT.cameBack, icon: ReplayIcon },
  'by-eye': { word: TEXT.judgeByEye, icon: VisibilityIcon },
};

/** How a correction stands, as a word and an icon besides its colour. */
export function StandingMark({ standing }: { readonly standing: Standing }): ReactNode {
  const { word, icon: Icon } = LOOK[standing];
  return (
    <span className={`standing ${standing}`}>
      <Icon aria-hidden />
      {word}
    </span>
  );
}
