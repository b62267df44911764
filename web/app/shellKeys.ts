import { App } from 'antd';
import { useHotkeys } from 'react-hotkeys-hook';
import { useNavigate } from 'react-router';
import { UNIT_SETS } from '../../core/quantity/units.ts';
import { doAct } from '../data/outbox/outbox.ts';
import { setUnitSet, usePerson } from '../data/session.tsx';
import { KEYS } from './keys.ts';
import { stepByKey } from './steps.ts';

interface Needs {
  readonly showKeys: () => void;
  /** The job this person is clocked on to. */
  readonly clockedOnTo: string | null;
}

/** Plain keys rest with a modifier (Ctrl C copies), and while a dialog is open. Not while typing is the hook's own rule. */
const rests = (event: KeyboardEvent): boolean =>
  event.ctrlKey ||
  event.metaKey ||
  event.altKey ||
  document.querySelector('.ant-modal-wrap:not([style*="display: none"])') !== null;

/** By the letter or sign that the key gives, whatever the keyboard is laid out like. */
const PLAIN = { useKey: true, ignoreModifiers: true, ignoreEventWhen: rests } as const;

/** By the place of the key: with Alt a letter may give another sign. */
const PLACE_OF: Readonly<Record<string, string>> = {
  KeyF: '/',
  KeyJ: '/jobs',
  KeyK: '/kits',
  KeyM: '/models',
  KeyC: '/components',
  KeyS: '/stores',
  KeyL: '/plan',
  KeyP: '/people',
};

/** The address itself, since the router lags behind it while a step is still being fetched. */
const jobHere = (): string | undefined => /^\/jobs\/(\d{2}-\d{3,5})/.exec(window.location.pathname)?.[1];

/** The keys that work everywhere: places, steps of a job, bench, clock, units, working, list. */
export function useShellKeys({ showKeys, clockedOnTo }: Needs): void {
  const navigate = useNavigate();
  const person = usePerson();
  const { message } = App.useApp();
  useHotkeys(KEYS.places.press, ({ code }) => navigate(PLACE_OF[code] ?? '/'), {
    enableOnFormTags: true,
    preventDefault: true,
  });
  useHotkeys(
    KEYS.steps.press,
    ({ key }) => {
      const step = stepByKey(key);
      if (step && jobHere()) navigate(`/jobs/${jobHere()}/${step.id}`);
    },
    PLAIN,
  );
  useHotkeys(KEYS.find.press, () => document.getElementById('find')?.focus(), { ...PLAIN, preventDefault: true });
  useHotkeys(KEYS.list.press, showKeys, PLAIN);
  useHotkeys(
    KEYS.units.press,
    () => {
      const next = UNIT_SETS[(UNIT_SETS.indexOf(person.unitSet) + 1) % UNIT_SETS.length];
      if (next) void setUnitSet(next);
    },
    PLAIN,
  );
  useHotkeys(
    KEYS.bench.press,
    () => {
      const job = jobHere() ?? clockedOnTo;
      if (job) navigate(`/jobs/${job}/bench`);
    },
    PLAIN,
  );
  useHotkeys(
    KEYS.clock.press,
    () => {
      const on = document.querySelector<HTMLButtonElement>('[data-clock="on"]');
      if (clockedOnTo)
        void doAct({ act: 'clockOff', pause: false }, 'clock off').then((done) => {
          if (done.was === 'refused') void message.error(done.why);
        });
      else if (on) on.click();
      else if (jobHere()) navigate(`/jobs/${jobHere()}/bench`);
    },
    PLAIN,
  );
  useHotkeys(
    KEYS.working.press,
    () => {
      const focused = document.activeElement as HTMLElement | null;
      const figure = focused?.matches('.open-working')
        ? focused
        : document.querySelector<HTMLElement>('.work .open-working');
      figure?.focus();
      figure?.click();
    },
    PLAIN,
  );
}
