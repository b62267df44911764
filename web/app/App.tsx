import { App as AntApp, Button, ConfigProvider } from 'antd';
import { lazy, Suspense } from 'react';
import { BrowserRouter, Navigate, Route, Routes, useMatch } from 'react-router';
import { onChange } from '../data/client.ts';
import { refreshAll, refreshTouched } from '../data/refresh.ts';
import { houseChosen, SessionProvider, useSession } from '../data/session.tsx';
import { Shell } from './Shell.tsx';
import { theme } from './theme.ts';

onChange((touched) => (touched ? refreshTouched(touched) : refreshAll()));

const BeginPage = lazy(() => import('../places/signin/BeginPage.tsx'));
const FirstStart = lazy(() => import('../places/signin/FirstStart.tsx'));
const SignInPage = lazy(() => import('../places/signin/SignInPage.tsx'));
const Components = lazy(() => import('../places/components/ComponentsPlace.tsx'));
const Floor = lazy(() => import('../places/floor/Floor.tsx'));
const JobList = lazy(() => import('../places/jobs/JobList.tsx'));
const NewJob = lazy(() => import('../places/jobs/NewJob.tsx'));
const InvitationPage = lazy(() => import('../places/signin/InvitationPage.tsx'));
const Models = lazy(() => import('../places/models/ModelsPlace.tsx'));
const VariantPlace = lazy(() => import('../places/models/VariantPlace.tsx'));
const Kits = lazy(() => import('../places/kits/KitsPlace.tsx'));
const KitPlace = lazy(() => import('../places/kits/KitPlace.tsx'));
const StageTemplates = lazy(() => import('../places/kits/StageTemplates.tsx'));
const Orders = lazy(() => import('../places/orders/OrdersPlace.tsx'));
const OrderPlace = lazy(() => import('../places/orders/OrderPlace.tsx'));
const FitterPage = lazy(() => import('../places/fitter/FitterPage.tsx'));
const ClientPage = lazy(() => import('../places/client/ClientPage.tsx'));
const Stores = lazy(() => import('../places/stores/StoresPlace.tsx'));
const Plan = lazy(() => import('../places/plan/PlanPlace.tsx'));
const People = lazy(() => import('../places/people/PeoplePlace.tsx'));
const Figures = lazy(() => import('../places/figures/FiguresPlace.tsx'));
const Wall = lazy(() => import('../places/floor/wall/WallPlace.tsx'));
const WorkshopPlace = lazy(() => import('../places/workshop/WorkshopPlace.tsx'));
const ClientPlace = lazy(() => import('../places/clients/ClientPlace.tsx'));
const ClientsPlace = lazy(() => import('../places/clients/ClientsPlace.tsx'));
const VehiclePlace = lazy(() => import('../places/clients/VehiclePlace.tsx'));
const JobPlace = lazy(() => import('../places/jobs/JobPlace.tsx'));
const Bench = lazy(() => import('../places/jobs/stages/Bench.tsx'));

function Places() {
  const { person, workshop, houses } = useSession();
  const wall = useMatch('/wall');
  if (!person) {
    const asks = houses?.here === 'sample' && !houses.ownBegun && !houseChosen();
    return <Suspense fallback={null}>{!workshop ? <BeginPage /> : asks ? <FirstStart /> : <SignInPage />}</Suspense>;
  }
  if (wall)
    return (
      <Suspense fallback={null}>
        <Wall />
      </Suspense>
    );
  return (
    <Shell>
      <Suspense fallback={<div className="page soft">One moment …</div>}>
        <Routes>
          <Route path="/" element={<Floor />} />
          <Route path="/jobs" element={<JobList />} />
          <Route path="/jobs/new" element={<NewJob />} />
          <Route path="/models" element={<Models />} />
          <Route path="/models/:id" element={<VariantPlace />} />
          <Route path="/kits" element={<Kits />} />
          <Route path="/kits/stages" element={<StageTemplates />} />
          <Route path="/kits/orders" element={<Orders />} />
          <Route path="/kits/orders/:order" element={<OrderPlace />} />
          <Route path="/kits/:kit" element={<KitPlace />} />
          <Route path="/stores" element={<Navigate to="needs" replace />} />
          <Route path="/stores/:look" element={<Stores />} />
          <Route path="/stores/:look/:id" element={<Stores />} />
          <Route path="/plan" element={<Plan />} />
          <Route path="/people" element={<People />} />
          <Route path="/people/:look" element={<People />} />
          <Route path="/figures" element={<Figures />} />
          <Route path="/workshop" element={<WorkshopPlace />} />
          <Route path="/components" element={<Components />} />
          <Route path="/components/:kind" element={<Components />} />
          <Route path="/clients" element={<ClientsPlace />} />
          <Route path="/clients/:id" element={<ClientPlace />} />
          <Route path="/vehicles/:id" element={<VehiclePlace />} />
          <Route path="/jobs/:number/bench" element={<Bench />} />
          <Route path="/jobs/:number" element={<Navigate to="brief" replace />} />
          <Route path="/jobs/:number/:step" element={<JobPlace />} />
          <Route
            path="*"
            element={
              <div className="page">
                <h1>There is nothing at this address</h1>
                <p>
                  <a href="/">Back to the Floor</a>
                </p>
              </div>
            }
          />
        </Routes>
      </Suspense>
    </Shell>
  );
}

function Unreachable(retry: () => void) {
  return (
    <div className="page">
      <h1>The server cannot be reached</h1>
      <p className="soft">Is it still running? Start it with npm start.</p>
      <Button onClick={retry}>Try again</Button>
    </div>
  );
}

export function App() {
  return (
    <ConfigProvider theme={theme} wave={{ disabled: true }}>
      <AntApp style={{ height: '100%' }}>
        <BrowserRouter>
          <SessionProvider failed={Unreachable}>
            <Routes>
              <Route
                path="/invitation/:token"
                element={
                  <Suspense fallback={null}>
                    <InvitationPage />
                  </Suspense>
                }
              />
              <Route
                path="/fit/:token"
                element={
                  <Suspense fallback={null}>
                    <FitterPage />
                  </Suspense>
                }
              />
              <Route
                path="/client/:token"
                element={
                  <Suspense fallback={null}>
                    <ClientPage />
                  </Suspense>
                }
              />
              <Route path="*" element={<Places />} />
            </Routes>
          </SessionProvider>
        </BrowserRouter>
      </AntApp>
    </ConfigProvider>
  );
}
