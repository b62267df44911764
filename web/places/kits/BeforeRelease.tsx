import { Button } from 'antd';
import { useMemo } from 'react';
import { type KitRevisionRow, kitAddress } from '../../../contract/kits.ts';
import { hasRole } from '../../../contract/rights.ts';
import { judgeRelease } from '../../../core/kit/judgeRelease.ts';
import type { KitRevision } from '../../../core/kit/kit.ts';
import type { ReleaseNeed } from '../../../core/kit/releaseNeeds.ts';
import { FUNCTION_NAME } from '../../../wording/fit.ts';
import { RELEASE_NEED_NAME } from '../../../wording/kits.ts';
import type { Shelves } from '../../data/resources.ts';
import { usePerson, useWorkshop } from '../../data/session.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { StateMark } from '../../widgets/StateMark.tsx';
import { useSend } from '../../widgets/useSend.ts';

interface Props {
  readonly revision: KitRevisionRow;
  /** As it is on the page now, saved or not. */
  readonly drawn: KitRevision;
  readonly shelves: Shelves;
  readonly dirty: boolean;
  readonly onLook: (look: 'lines' | 'cover' | 'stages') => void;
}

const WHERE: Partial<Record<ReleaseNeed, 'lines' | 'cover' | 'stages'>> = {
  lines: 'lines',
  cover: 'cover',
  torqueSources: 'stages',
  stages: 'stages',
};
const MOST_SHOWN = 4;

/** Everything that must be so before the draft is released, as it is on the page now. */
export function BeforeRelease({ revision, drawn, shelves, dirty, onLook }: Props) {
  const person = usePerson();
  const workshop = useWorkshop();
  const sending = useSend(false, { typed: false });
  const needs = useMemo(
    () =>
      judgeRelease({
        revision: drawn,
        library: shelves.components,
        variants: shelves.data.variants,
        rates: workshop,
        readBy: dirty ? null : revision.readBy,
        changedBy: revision.changedBy,
      }),
    [drawn, shelves, workshop, dirty, revision],
  );
  const met = needs.every((need) => need.met);
  const mayRelease = hasRole(person.role, kitAddress.release.may);
  const mayRead = hasRole(person.role, kitAddress.read.may) && person.name !== revision.changedBy && !revision.readBy;
  const body = { version: revision.version };
  return (
    <Panel title={`Before ${revision.revision} can be released`}>
      {needs.map(({ need, met: ok, missing }) => (
        <div key={need} className="revision" data-need={need} data-met={ok}>
          <StateMark mark={ok ? 'pass' : need === 'secondReader' ? 'open' : 'stop'} label={ok ? 'so' : 'not so'} />
          <div>
            {RELEASE_NEED_NAME[need]}
            {!ok && (
              <div className="soft small">
                {missing
                  .slice(0, MOST_SHOWN)
                  .map((one) => (need === 'cover' ? (FUNCTION_NAME[one as keyof typeof FUNCTION_NAME] ?? one) : one))
                  .join('; ')}
                {missing.length > MOST_SHOWN && ` and ${missing.length - MOST_SHOWN} more`}{' '}
                {WHERE[need] && (
                  <button type="button" className="link-like" onClick={() => onLook(WHERE[need]!)}>
                    Put right
                  </button>
                )}
              </div>
            )}
          </div>
        </div>
      ))}
      <div className="in row">
        {mayRead && (
          <Button
            disabled={dirty}
            loading={sending.busy}
            onClick={() => void sending.go(kitAddress.read, { revision: revision.id }, body)}
          >
            I have read it and agree
          </Button>
        )}
        {mayRelease && (
          <Button
            type="primary"
            disabled={!met || dirty}
            loading={sending.busy}
            onClick={() => void sending.go(kitAddress.release, { revision: revision.id }, body)}
          >
            Release {revision.revision}
          </Button>
        )}
        {dirty && <span className="soft small">Save the draft first.</span>}
        {!dirty && !revision.readBy && person.name === revision.changedBy && (
          <span className="soft small">You changed it last: somebody else reads it.</span>
        )}
      </div>
    </Panel>
  );
}
