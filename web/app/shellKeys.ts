import { App } from 'antd';
import { useEffect } from 'react';
import { useNavigate } from 'react-router';
import { UNIT_SETS } from '../../core/quantity/units.ts';
import { send } from '../data/client.ts';
import { setUnitSet, usePerson } from '../data/session.tsx';
import { stepByKey } from './steps.ts';

/** Is the person writing somewhere? Then keys are letters, not commands. */
export function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName))
  );
}

interface Needs {
  readonly showKeys: () => void;
  /** The job this person is clocked on to. */
  readonly clockedOnTo: string | null;
}

/** The keys that work everywhere: places, steps of a job, bench, clock, units, working, list. */
export function useShellKeys({ showKeys, clockedOnTo }: Needs): void {
  const navigate = useNavigate();
  const person = usePerson();
  const { message } = App.useApp();
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      // The address itself, since the router lags behind it while a step is still being fetched.
      const job = /^\/jobs\/(\d{2}-\d{3,5})/.exec(window.location.pathname)?.[1];
      if (event.altKey && !event.ctrlKey && !event.metaKey) {
        if (event.code === 'KeyF') {
          event.preventDefault();
          navigate('/');
        }
        if (event.code === 'KeyJ') {
          event.preventDefault();
          navigate('/jobs');
        }
        return;
      }
      if (
        event.ctrlKey ||
        event.metaKey ||
        isTyping(event.target) ||
        document.querySelector('.ant-modal-wrap:not([style*="display: none"])')
      )
        return;
      const step = job ? stepByKey(event.key) : undefined;
      if (step) navigate(`/jobs/${job}/${step.id}`);
      else if (event.key === '/') {
        event.preventDefault();
        document.getElementById('find')?.focus();
      } else if (event.key === '?') showKeys();
      else if (event.key === 'u' || event.key === 'U') {
        const next = UNIT_SETS[(UNIT_SETS.indexOf(person.unitSet) + 1) % UNIT_SETS.length];
        if (next) void setUnitSet(next);
      } else if ((event.key === 'b' || event.key === 'B') && (job ?? clockedOnTo))
        navigate(`/jobs/${job ?? clockedOnTo}/bench`);
      else if (event.key === 'c' || event.key === 'C') {
        const on = document.querySelector<HTMLButtonElement>('[data-clock="on"]');
        if (clockedOnTo) void send('POST', '/clock-off').catch((error: Error) => message.error(error.message));
        else if (on) on.click();
        else if (job) navigate(`/jobs/${job}/bench`);
      } else if (event.key === 'w' || event.key === 'W') {
        const focused = document.activeElement as HTMLElement | null;
        const figure = focused?.matches('.open-working')
          ? focused
          : document.querySelector<HTMLElement>('.work .open-working');
        figure?.focus();
        figure?.click();
      }
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [navigate, person.unitSet, clockedOnTo, showKeys, message]);
}
