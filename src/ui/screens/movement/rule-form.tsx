import Button from '@mui/material/Button';
import { useMemo, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { tryRule } from '../../../core/events/try-rule';
import { ALL_RULES, blankRule, fieldsOfRule } from '../../../core/model/measure-form';
import type { MomentRule } from '../../../core/model/moment-rule';
import type { Moment, Movement } from '../../../core/model/movement';
import type { Derived } from '../../../application/analysis/derived';
import { changeMoment } from '../../../application/movement/movement-editing';
import { takeProposals } from '../../../application/events/proposals';
import { goToFrames } from '../../components/go-to-frames';
import { RoleName } from '../../components/role-name';
import { FieldEditor } from './fields';
import { words } from './names';
import { Choice } from './plain-fields';
import { said } from './said';

const RULE_NAMES: Readonly<Record<MomentRule['rule'], string>> = {
  extreme: 'Largest or smallest value',
  crossing: 'A level is passed',
  contact: 'Contact of a foot',
  'peak-speed': 'Peak speed of a point',
};

export interface RuleFormProps {
  readonly movement: Movement;
  readonly moment: Moment;
  readonly derived: Derived;
}

/** How a moment is proposed from the points, and what that comes to on the open clips. */
export function RuleForm({ movement, moment, derived }: RuleFormProps): ReactNode {
  const { rule } = moment;
  const set = (next: MomentRule | null): boolean => said(changeMoment(moment.id, { rule: next }));
  return (
    <div data-testid="rule-form">
      <div className="row-of-fields" style={{ marginBottom: 10 }}>
        <Choice
          label="Proposed by"
          value={rule?.rule ?? ''}
          options={[['', 'Nothing: marked by eye'], ...ALL_RULES.map((kind) => [kind, RULE_NAMES[kind]] as const)]}
          onChange={(kind) =>
            set(kind === '' ? null : blankRule(kind as MomentRule['rule'], movement, moment.id, rule))
          }
        />
        {rule &&
          fieldsOfRule(rule.rule).map((field) => (
            <FieldEditor
              key={field.key}
              field={field}
              value={(rule as unknown as Record<string, unknown>)[field.key]}
              movement={movement}
              onChange={(value) => set({ ...rule, [field.key]: value } as MomentRule)}
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
  if (tries.length === 0) return <p className="note">With clips at Intake the rule is tried on them here.</p>;
  return (
    <ul className="plain" aria-label={`What the rule of ${moment.name} proposes`} data-testid="tried">
      {tries.map(({ on: { trial, styleKey }, tried: { found, refused } }) => {
        const { clip, marks } = trial;
        const marked = marks[moment.id];
        return (
          <li key={clip.id}>
            <RoleName role={styleKey} name={clip.performer.name} />{' '}
            {found ? (
              <>
                frame <strong>{Math.round(found.frame) + 1}</strong>, {Math.round(100 * found.confidence)} % sure
                {marked !== undefined && `; marked at ${Math.round(marked) + 1}`}
                <Button
                  size="small"
                  aria-label={`See the proposal in ${clip.performer.name}`}
                  onClick={() => goToFrames(navigate, session.id, { [clip.id]: found.frame }, null)}
                >
                  See it
                </Button>
                <Button
                  size="small"
                  aria-label={`Mark ${moment.name} there in ${clip.performer.name}`}
                  onClick={() => takeProposals(trial, [found])}
                >
                  Mark it there
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
export const ruleWords = ({ rule }: Pick<Moment, 'rule'>): string =>
  rule ? RULE_NAMES[rule.rule] : words('marked-by-eye');
