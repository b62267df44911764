import {
  CheckOutlined,
  DownOutlined,
  KeyOutlined,
  LogoutOutlined,
  QuestionCircleOutlined,
  SettingOutlined,
} from '@ant-design/icons';
import { App, Dropdown } from 'antd';
import { lazy, type ReactNode, Suspense, useEffect, useState } from 'react';
import { Link, NavLink, useLocation, useNavigate } from 'react-router';
import { UNIT_SETS, type UnitChoice } from '../../core/quantity/units.ts';
import { UNIT_NAME } from '../../wording/workshop.ts';
import { setPageOf } from '../data/client.ts';
import { useLive } from '../data/live.ts';
import { keepForOffline } from '../data/offline.ts';
import { openOutbox } from '../data/outbox/outbox.ts';
import { useMyClock } from '../data/outbox/useMyClock.ts';
import { useFloor } from '../data/resources.ts';
import { setUnitSet, signOut, usePerson, useSession } from '../data/session.tsx';
import { FindBox } from './FindBox.tsx';
import { ForgottenClock } from './ForgottenClock.tsx';
import { KeyList } from './KeyList.tsx';
import { OutboxBar } from './OutboxBar.tsx';
import { SignInAgain } from './SignInAgain.tsx';
import { useShellKeys } from './shellKeys.ts';

const MyAccount = lazy(() => import('../places/people/MyAccount.tsx'));

/** Clients and vehicles are a part of the place of jobs. */
const OF_JOBS = /^\/(clients|vehicles)/;

/** Top bar with the places, the finder and the person; the place below it. */
export function Shell({ children }: { children: ReactNode }) {
  const person = usePerson();
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const { message } = App.useApp();
  const [listOpen, setListOpen] = useState(false);
  const [accountOpen, setAccountOpen] = useState(false);
  useLive();
  const { houses } = useSession();
  const house = houses?.here ?? 'one';
  useEffect(() => {
    setPageOf(person.id);
    void openOutbox(house, { id: person.id, name: person.name });
    keepForOffline();
  }, [house, person.id, person.name]);
  const { data: floor } = useFloor();
  const mine = useMyClock();
  useShellKeys({ showKeys: () => setListOpen(true), clockedOnTo: mine?.jobNumber ?? null });
  const items = [
    ...UNIT_SETS.map((set) => ({
      key: set,
      label: UNIT_NAME[set],
      icon: set === person.unitSet ? <CheckOutlined /> : <span />,
    })),
    { type: 'divider' as const },
    { key: 'account', label: 'Password and sessions', icon: <KeyOutlined /> },
    { key: 'workshop', label: 'The workshop', icon: <SettingOutlined /> },
    { key: 'keys', label: 'Keys', icon: <QuestionCircleOutlined /> },
    { key: 'out', label: 'Sign out', icon: <LogoutOutlined /> },
  ];
  const leave = () => {
    signOut().then(
      () => navigate('/'),
      (error: Error) => void message.error(`You are still signed in. ${error.message}`),
    );
  };
  const choose = (key: string) => {
    if (key === 'keys') setListOpen(true);
    else if (key === 'account') setAccountOpen(true);
    else if (key === 'workshop') navigate('/workshop');
    else if (key === 'out') leave();
    else void setUnitSet(key as UnitChoice);
  };
  return (
    <div className="shell">
      <header className="bar">
        <Link to="/" className="name">
          Dajo
        </Link>
        <nav aria-label="Places">
          <NavLink to="/" end className={({ isActive }) => (isActive ? 'here' : '')}>
            Floor
          </NavLink>
          <NavLink to="/jobs" className={({ isActive }) => (isActive || OF_JOBS.test(pathname) ? 'here' : '')}>
            Jobs
          </NavLink>
          <NavLink to="/kits" className={({ isActive }) => (isActive ? 'here' : '')}>
            Kits
          </NavLink>
          <NavLink to="/models" className={({ isActive }) => (isActive ? 'here' : '')}>
            Models
          </NavLink>
          <NavLink to="/components" className={({ isActive }) => (isActive ? 'here' : '')}>
            Components
          </NavLink>
          <NavLink to="/stores" className={({ isActive }) => (isActive ? 'here' : '')}>
            Stores
          </NavLink>
          <NavLink to="/plan" className={({ isActive }) => (isActive ? 'here' : '')}>
            Plan
          </NavLink>
          <NavLink to="/people" className={({ isActive }) => (isActive ? 'here' : '')}>
            People
          </NavLink>
          {person.role === 'manager' && (
            <NavLink to="/figures" className={({ isActive }) => (isActive ? 'here' : '')}>
              Figures
            </NavLink>
          )}
        </nav>
        <div className="push">
          <FindBox />
          {mine ? (
            <Link className="clock" to={`/jobs/${mine.jobNumber}/bench`}>
              On {mine.jobNumber}
            </Link>
          ) : (
            <span>{floor ? `${floor.onTheClock.length} clocked on` : ''}</span>
          )}
          <Dropdown trigger={['click']} menu={{ items, onClick: ({ key }) => choose(key) }}>
            <button type="button" className="menu" aria-label={`${person.name}, menu`}>
              {person.initials} <DownOutlined />
            </button>
          </Dropdown>
        </div>
      </header>
      <OutboxBar />
      <ForgottenClock />
      <main className="place" id="place">
        {children}
      </main>
      {accountOpen && (
        <Suspense fallback={null}>
          <MyAccount onClose={() => setAccountOpen(false)} />
        </Suspense>
      )}
      <KeyList open={listOpen} onClose={() => setListOpen(false)} />
      <SignInAgain />
    </div>
  );
}
