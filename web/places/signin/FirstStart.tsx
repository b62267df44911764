import { Button } from 'antd';
import { chooseHouse } from '../../data/session.tsx';
import { SafetyNote } from '../../widgets/SafetyNote.tsx';

/** The first question of a new installation: the sample, or a workshop of one's own. Both stay apart, and both stay. */
export default function FirstStart() {
  return (
    <main className="signin">
      <div className="left stack">
        <h1>Dajo</h1>
        <p className="soft">For workshops that convert vehicles to electric drive.</p>
        <SafetyNote about="approval" />
      </div>
      <div className="right stack" style={{ maxWidth: 640, gap: 18 }}>
        <h2>How do you want to begin?</h2>
        <div className="stack">
          <Button type="primary" size="large" block onClick={() => chooseHouse('sample')}>
            Look round the sample
          </Button>
          <p className="soft">
            A made-up workshop in the middle of its week: sixteen jobs, three kits, eight people. Change what you like.
          </p>
        </div>
        <div className="stack">
          <Button size="large" block onClick={() => chooseHouse('own')}>
            Begin your own
          </Button>
          <p className="soft">
            An empty workshop with you as its manager. It keeps its own database: nothing of the sample is ever in it.
          </p>
        </div>
        <p className="soft small">You can go from one to the other on the sign-in page at any time.</p>
      </div>
    </main>
  );
}
