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

const LOOK: Readonly<Record<Standing, { word: string; icon: typeof CheckIcon }>> = {
  new: { word: 'New', icon: AddCircleOutlineIcon },
  open: { word: 'Open', icon: RadioButtonUncheckedIcon },
  improving: { word: 'Improving', icon: TrendingUpIcon },
  worse: { word: 'Further away', icon: TrendingDownIcon },
  'on-target-once': { word: 'On target, not closed yet', icon: CheckIcon },
  closed: { word: 'Closed', icon: DoneAllIcon },
  'came-back': { word: 'Came back', icon: ReplayIcon },
  'by-eye': { word: 'Judge by eye', icon: VisibilityIcon },
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
