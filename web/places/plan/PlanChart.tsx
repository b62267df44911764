import { DndContext, KeyboardSensor, PointerSensor, useDraggable, useSensor, useSensors } from '@dnd-kit/core';
import type { CSSProperties } from 'react';
import type { PlanFacts } from '../../../core/plan/facts.ts';
import type { SureDays } from '../../../core/plan/surePlan.ts';
import { weekday } from '../../../core/practice/workingDays.ts';
import { dayNumber, formatDay, isoDay } from '../../../core/quantity/format.ts';
import { localText } from '../../../wording/workPlan.ts';
import { asDays, type Bar, type Row } from './rows.ts';

interface Props {
  readonly facts: PlanFacts;
  readonly rows: readonly Row[];
  /** How sure the day of each job is. */
  readonly sure: ReadonlyMap<string, SureDays>;
  readonly weeks: number;
  readonly picked: string | null;
  readonly onPick: (bar: Bar) => void;
  /** A bar was carried so many days; null where nobody may. */
  readonly onCarry: ((bar: Bar, days: number) => void) | null;
}

const LANE_PX = 40;
/** Of more weeks than this every second is named. */
const ALL_WEEKS = 12;
/** A press that moves less is a press, px. */
const SLOP_PX = 6;

/** The weeks across, what is planned in each row, today, what is closed, and what is promised. */
export function PlanChart({ facts, rows, sure, weeks, picked, onPick, onCarry }: Props) {
  const today = dayNumber(facts.now.day);
  const first = today - (weekday(today) - 1);
  const days = weeks * 7;
  const share = (day: number) => `${(((day - first) / days) * 100).toFixed(3)}%`;
  const now = asDays(`${facts.now.day} ${clockOf(facts.now.minute)}`, facts.open);
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: SLOP_PX } }),
    useSensor(KeyboardSensor, {
      // An arrow carries by a day, with Shift by a week.
      coordinateGetter: (event, { currentCoordinates }) => {
        const way = event.code === 'ArrowLeft' ? -1 : event.code === 'ArrowRight' ? 1 : 0;
        if (way === 0) return undefined;
        event.preventDefault();
        return { ...currentCoordinates, x: currentCoordinates.x + way * dayPx(days) * (event.shiftKey ? 7 : 1) };
      },
    }),
  );
  const closed = closedDays(facts, first, days);
  return (
    <DndContext
      sensors={sensors}
      onDragEnd={({ active, delta }) => {
        const bar = rows.flatMap((row) => row.bars).find(({ key }) => key === active.id);
        const moved = Math.round(delta.x / dayPx(days));
        if (bar && moved !== 0) onCarry?.(bar, moved);
      }}
    >
      <section className="sheet plan-chart" aria-label="Plan">
        <div className="plan-row plan-head">
          <span />
          <div className="plan-lane" id="plan-days">
            {Array.from({ length: weeks }, (_, week) => (
              <span key={week} style={{ left: share(first + week * 7), width: share(first + 7) }}>
                {(weeks <= ALL_WEEKS || week % 2 === 0) && formatDay(first + week * 7)}
              </span>
            ))}
          </div>
        </div>
        {rows.map((row) => (
          <div className="plan-row" key={row.key} data-row={row.name}>
            <span className="plan-name">
              <strong>{row.name}</strong>
              {row.says && <span className="soft small">{row.says}</span>}
            </span>
            <div className="plan-lane" style={{ height: row.lanes * LANE_PX + 18 }}>
              {closed.map(({ from, to }) => (
                <i key={from} className="plan-closed" style={{ left: share(from), width: share(first + to - from) }} />
              ))}
              {Array.from({ length: weeks }, (_, week) => (
                <i key={week} className="plan-week" style={{ left: share(first + week * 7) }} />
              ))}
              {row.ends.map(({ job, day, lane }) => {
                const until = sure.get(job.number);
                const tail = until ? dayNumber(until.nineInTen) + 1 : day;
                if (tail <= day || day > first + days) return null;
                return (
                  <i
                    key={job.number}
                    className="plan-tail"
                    data-tail={job.number}
                    style={{
                      left: share(day),
                      width: share(first + Math.min(tail, first + days) - day),
                      top: 6 + lane * LANE_PX,
                    }}
                  />
                );
              })}
              {row.bars
                .filter((bar) => bar.to > first && bar.from < first + days)
                .map((bar) => (
                  <BarOf
                    key={bar.key}
                    bar={bar}
                    style={{
                      left: share(Math.max(bar.from, first)),
                      width: share(first + Math.min(bar.to, first + days) - Math.max(bar.from, first)),
                      top: 6 + bar.lane * LANE_PX,
                    }}
                    picked={picked === bar.key || bar.stages.some(({ id }) => id === picked)}
                    onPick={() => onPick(bar)}
                    mayCarry={onCarry !== null && bar.stages.some(({ causes }) => causes[0]?.kind !== 'begun')}
                  />
                ))}
              {row.promises
                .filter(({ day }) => day >= first && day <= first + days)
                .map(({ job, day, late }) => (
                  <span
                    key={job.number}
                    className={late ? 'plan-promise late' : 'plan-promise'}
                    style={{ left: share(day) }}
                    title={`${job.number} promised ${formatDay(Math.floor(day - 1e-6))}`}
                  >
                    {named(row.promises, days).has(job.number) && (
                      <b>{`${job.number.slice(3)}: ${formatDay(Math.floor(day - 1e-6))}`}</b>
                    )}
                  </span>
                ))}
              <i className="plan-now" style={{ left: share(now) }} />
            </div>
          </div>
        ))}
      </section>
    </DndContext>
  );
}

/** Share of the width that a promise takes to be named. */
const NAME_SHARE = 0.085;

/** The promises of a row that are named: those that would lie over the one before are told by their line alone. */
function named(promises: Row['promises'], days: number): ReadonlySet<string> {
  let free = Number.NEGATIVE_INFINITY;
  const out = new Set<string>();
  for (const { job, day } of promises.toSorted((a, b) => a.day - b.day)) {
    if (day < free) continue;
    out.add(job.number);
    free = day + days * NAME_SHARE;
  }
  return out;
}

const clockOf = (minute: number) =>
  `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`;

/** A day of the chart as it is drawn now, px. */
const dayPx = (days: number): number => (document.getElementById('plan-days')?.clientWidth ?? 700) / days;

/** Stretches on which nobody works, the weekends left out: their narrow stripes would only be noise. */
function closedDays({ closedDays: closed }: PlanFacts, first: number, days: number): { from: number; to: number }[] {
  const all = closed.map(dayNumber).filter((day) => day >= first && day < first + days);
  const out: { from: number; to: number }[] = [];
  for (const day of all.toSorted((a, b) => a - b)) {
    const last = out.at(-1);
    if (last && day - last.to <= 2) last.to = day + 1;
    else out.push({ from: day, to: day + 1 });
  }
  return out;
}

interface BarProps {
  readonly bar: Bar;
  readonly style: CSSProperties;
  readonly picked: boolean;
  readonly onPick: () => void;
  readonly mayCarry: boolean;
}

function BarOf({ bar, style, picked, onPick, mayCarry }: BarProps) {
  const { setNodeRef, listeners, attributes, transform } = useDraggable({ id: bar.key, disabled: !mayCarry });
  const kind = bar.liveHv ? 'live' : bar.begun ? 'begun' : 'ahead';
  const [from, to] = [bar.stages[0]!.from, bar.stages.reduce((last, one) => (one.to > last ? one.to : last), '')];
  const whole = `${bar.label}, ${bar.says || bar.stage.name}, ${localText(from)} to ${localText(to)}`;
  return (
    <button
      {...(mayCarry ? { ...attributes, ...listeners } : {})}
      ref={setNodeRef}
      type="button"
      className={`plan-bar ${kind}${picked ? ' picked' : ''}`}
      style={{ ...style, ...(transform && { translate: `${transform.x}px 0`, zIndex: 3 }) }}
      aria-label={whole}
      title={whole}
      {...(mayCarry && { 'aria-roledescription': 'carried with Space and the arrows' })}
      data-bar={bar.label}
      data-from={isoDay(Math.floor(bar.from))}
      onClick={onPick}
    >
      <strong>{bar.label}</strong>
      {bar.says && <span>{bar.says}</span>}
    </button>
  );
}
