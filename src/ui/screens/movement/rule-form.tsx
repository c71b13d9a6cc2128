import Button from '@mui/material/Button';
import { useMemo, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { tryRule } from '../../../core/events/try-rule';
import { ALL_RULES, blankRule, fieldsOfRule } from '../../../core/model/measure-form';
import type { KeyEventRule } from '../../../core/model/key-event-rule';
import type { KeyEvent, Movement } from '../../../core/model/movement';
import type { Derived } from '../../../application/analysis/derived';
import { changeEvent } from '../../../application/movement/movement-editing';
import { takeProposals } from '../../../application/events/proposals';
import { goToFrames } from '../../components/go-to-frames';
import { RoleName } from '../../components/role-name';
import { FieldEditor } from './fields';
import { words } from './names';
import { Choice } from './plain-fields';
import { said } from './said';
import { TEXT } from '../../../text/screens/movement';

const RULE_NAMES: Readonly<Record<KeyEventRule['rule'], string>> = {
  extreme: TEXT.largestOrSmallestValue,
  crossing: TEXT.levelIsPassed,
  contact: TEXT.contactOfFoot,
  'peak-speed': TEXT.peakSpeedOfPoint,
};

export interface RuleFormProps {
  readonly movement: Movement;
  readonly moment: KeyEvent;
  readonly derived: Derived;
}

/** How a moment is proposed from the points, and what that comes to on the open clips. */
export function RuleForm({ movement, moment, derived }: RuleFormProps): ReactNode {
  const { rule } = moment;
  const set = (next: KeyEventRule | null): boolean => said(changeEvent(moment.id, { rule: next }));
  return (
    <div data-testid="rule-form">
      <div className="row-of-fields" style={{ marginBottom: 10 }}>
        <Choice
          label={TEXT.proposedBy}
          value={rule?.rule ?? ''}
          options={[['', TEXT.nothingMarkedByEye], ...ALL_RULES.map((kind) => [kind, RULE_NAMES[kind]] as const)]}
          onChange={(kind) =>
            set(kind === '' ? null : blankRule(kind as KeyEventRule['rule'], movement, moment.id, rule))
          }
        />
        {rule &&
          fieldsOfRule(rule.rule).map((field) => (
            <FieldEditor
              key={field.key}
              field={field}
              value={(rule as unknown as Record<string, unknown>)[field.key]}
              movement={movement}
              onChange={(value) => set({ ...rule, [field.key]: value } as KeyEventRule)}
            />
          ))}
      </div>
      {rule && <TriedOnClips movement={movement} moment={moment} derived={derived} />}
    </div>
  );
}

/** What the rule proposes on each open clip, beside what is marked there. */
function TriedOnClips({ movement, moment, derived }: RuleFormProps): ReactNode {
  const navigate = useNavigate();
  const { clips, session } = derived;
  const tries = useMemo(
    () =>
      clips.filter(({ join }) => join === null).map((on) => ({ on, tried: tryRule(movement, on.trial, moment.id) })),
    [clips, movement, moment.id],
  );
  if (tries.length === 0) return <p className="note">{TEXT.withClipsAtIntakeRule}</p>;
  return (
    <ul className="plain" aria-label={TEXT.whatRuleOfNameProposes(moment.name)} data-testid="tried">
      {tries.map(({ on: { trial, styleKey }, tried: { found, refused } }) => {
        const { clip, marks } = trial;
        const marked = marks[moment.id];
        return (
          <li key={clip.id}>
            <RoleName role={styleKey} name={clip.performer.name} />{' '}
            {found ? (
              <>
                {TEXT.frame} <strong>{Math.round(found.frame) + 1}</strong>
                {TEXT.confidenceSure(Math.round(100 * found.confidence))}
                {marked !== undefined && TEXT.markedAtMarked(Math.round(marked) + 1)}
                <Button
                  size="small"
                  aria-label={TEXT.seeProposalInName(clip.performer.name)}
                  onClick={() => goToFrames(navigate, session.id, { [clip.id]: found.frame }, null)}
                >
                  {TEXT.seeIt}
                </Button>
                <Button
                  size="small"
                  aria-label={TEXT.markNameThereInName2(moment.name, clip.performer.name)}
                  onClick={() => takeProposals(trial, [found])}
                >
                  {TEXT.markItThere}
                </Button>
              </>
            ) : (
              <span className="note">
                {refused.message}. {refused.remedy}
              </span>
            )}
          </li>
        );
      })}
    </ul>
  );
}

/** A rule in few words. */
export const ruleWords = ({ rule }: Pick<KeyEvent, 'rule'>): string =>
  rule ? RULE_NAMES[rule.rule] : words('marked-by-eye');
