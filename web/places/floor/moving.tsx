import { HolderOutlined } from '@ant-design/icons';
import {
  type CollisionDetection,
  DndContext,
  type KeyboardCoordinateGetter,
  KeyboardSensor,
  PointerSensor,
  pointerWithin,
  rectIntersection,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { App, Tooltip } from 'antd';
import type { CSSProperties, ReactNode } from 'react';
import { pathOf } from '../../../contract/address.ts';
import type { FloorData, FloorJob } from '../../../contract/floor.ts';
import { jobAddress } from '../../../contract/jobChange.ts';
import { type WorkPlanSheet, workPlanAddress } from '../../../contract/workPlan.ts';
import { moveConflicts } from '../../../core/floor/moveConflicts.ts';
import { conflictText } from '../../../wording/floor.ts';
import { ask, Refused, send } from '../../data/client.ts';
import { useOfAddress } from '../../data/resources.ts';
import { useMay } from '../../data/useMay.ts';
import { type Box, nextPlace } from './nextPlace.ts';

/** Where a vehicle is let go that is not in the workshop yet. */
const NOT_HERE = 'not-here';
/** A press that moves less is a press, px. */
const SLOP_PX = 6;

const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** An arrow carries a vehicle to the next place in its direction. */
const toNextPlace: KeyboardCoordinateGetter = (event, { context, currentCoordinates }) => {
  const way = ARROWS[event.code];
  const own = context.collisionRect;
  if (!way || !own) return undefined;
  event.preventDefault();
  const boxes = [...context.droppableRects.values()] as Box[];
  const next = nextPlace(own, boxes, way);
  if (!next) return undefined;
  return {
    x: currentCoordinates.x + next.left + next.width / 2 - own.left - own.width / 2,
    y: currentCoordinates.y + next.top + next.height / 2 - own.top - own.height / 2,
  };
};

/** Where the pointer is, not where most of the drawn vehicle lies; with the keys there is no pointer. */
const underPointer: CollisionDetection = (of) => {
  const under = pointerWithin(of);
  return under.length > 0 ? under : rectIntersection(of);
};

/** The Floor on which vehicles are carried from place to place, with the pointer or with the arrow keys. */
export function MovingFloor({ floor, children }: { floor: FloorData; children: ReactNode }) {
  const { message, modal } = App.useApp();
  const { data: plan } = useOfAddress(workPlanAddress.sheet, {});
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: SLOP_PX } }),
    useSensor(KeyboardSensor, { coordinateGetter: toNextPlace }),
  );
  const placeName = (id: string | number | undefined) =>
    id === NOT_HERE ? 'not here yet' : (floor.places.find((place) => place.id === id)?.name ?? 'nowhere');
  const move = async (number: string, to: string) => {
    const job = floor.jobs.find((one) => one.number === number);
    const placeId = to === NOT_HERE ? null : to;
    if (!job || job.placeId === placeId) return;
    // Dropped before the plan was there, it is waited for; where it cannot be had, nothing speaks against the move.
    const sheet = plan ?? (await ask<WorkPlanSheet>(pathOf(workPlanAddress.sheet, {})).catch(() => null));
    const conflicts = sheet && placeId ? moveConflicts(sheet.facts, sheet.plan, number, placeId) : [];
    if (conflicts.length === 0) return carryOut(job, placeId);
    modal.confirm({
      title: `${number} ${job.title} to ${placeName(to)}?`,
      content: (
        <ul className="plain">
          {conflicts.map((one) => (
            <li key={JSON.stringify(one)}>{conflictText(one, placeName)}</li>
          ))}
          <li className="soft">{`Moving takes ${sheet?.facts.moveMinutes ?? 0} minutes.`}</li>
        </ul>
      ),
      okText: 'Move it all the same',
      cancelText: 'Leave it',
      onOk: () => carryOut(job, placeId),
    });
  };
  const carryOut = (job: FloorJob, placeId: string | null) => {
    const { number } = job;
    send(jobAddress.move, { number }, { placeId, promised: job.promised, version: job.version }).catch(
      (error: unknown) => {
        if (!(error instanceof Refused)) throw error;
        // There is no field here to say it at.
        void message.error(Object.values(error.problem.fields ?? {})[0] ?? error.problem.detail, 6);
      },
    );
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={underPointer}
      onDragEnd={({ active, over }) => over && void move(String(active.id), String(over.id))}
      accessibility={{
        announcements: {
          onDragStart: ({ active }) => `${active.id} is lifted.`,
          onDragOver: ({ active, over }) => `${active.id} is over ${placeName(over?.id)}.`,
          onDragEnd: ({ active, over }) => `${active.id} is set down: ${placeName(over?.id)}.`,
          onDragCancel: ({ active }) => `${active.id} stays where it was.`,
        },
        screenReaderInstructions: {
          draggable:
            'Space lifts the vehicle and sets it down, the arrows carry it from place to place, Escape leaves it.',
        },
      }}
    >
      {children}
    </DndContext>
  );
}

interface StandingProps {
  /** Null: not in the workshop yet. */
  readonly placeId: string | null;
  readonly name: string;
  readonly className?: string;
  readonly style?: CSSProperties;
  readonly children: ReactNode;
}

/** A place vehicles can be set down in. */
export function PlaceSpot({ placeId, name, className, style, children }: StandingProps) {
  const { setNodeRef, isOver } = useDroppable({ id: placeId ?? NOT_HERE });
  return (
    <section
      ref={setNodeRef}
      aria-label={name}
      className={`${className ?? ''}${isOver ? ' over' : ''}`}
      style={style ?? {}}
    >
      {children}
    </section>
  );
}

/** What is carried: `handle` is where it is taken hold of, for those who may. */
export function useCarried(job: FloorJob): { readonly carry: object; readonly handle: ReactNode } {
  const may = useMay(job, 'move');
  const { setNodeRef, listeners, attributes, transform, isDragging, setActivatorNodeRef } = useDraggable({
    id: job.number,
    disabled: !may,
  });
  const moved = transform ? `translate(${Math.round(transform.x)}px, ${Math.round(transform.y)}px)` : undefined;
  return {
    carry: { ref: setNodeRef, style: { ...(moved ? { transform: moved } : {}), ...(isDragging ? { zIndex: 5 } : {}) } },
    handle: may && (
      <Tooltip title="Drag to another place">
        <button
          type="button"
          ref={setActivatorNodeRef}
          className="handle"
          {...listeners}
          {...attributes}
          aria-label={`Move ${job.number} ${job.title}`}
        >
          <HolderOutlined />
        </button>
      </Tooltip>
    ),
  };
}
