import type { Metadata } from 'next';
import { EMERGENCY, STOP_SIGNS } from '@/core/screening';
import '@/ui/people/PersonalForm.css';

export const metadata: Metadata = { title: 'Breathing safely' };

/** For staff and people alike; nothing here needs a sign-in. */
export default function SafetyPage() {
  return (
    <main className="personal">
      <h1>Breathing safely</h1>
      <p className="lead">What screening does here, what it does not do, and when to let go.</p>
      <section className="sheet stack">
        <h2>When to let go</h2>
        <ul>
          {STOP_SIGNS.map((sign) => (
            <li key={sign}>{sign}</li>
          ))}
        </ul>
        <p>
          Let go of what you are doing, breathe as you like, sit or lie down. Your teacher comes to you. Letting go is always allowed, and needs no
          reason.
        </p>
        <p>
          <strong>{EMERGENCY}</strong>
        </p>
        <p>Never practise in water or at the wheel, and never stand for holds, pumps or connected breath.</p>
      </section>
      <section className="sheet stack">
        <h2>What screening does</h2>
        <ul>
          <li>It compares what you answered with usual cautions for each way of breathing, for the date of each class.</li>
          <li>It tells your teacher what to do instead: no holds, a chair, another pattern that ends with the room.</li>
          <li>What is not answered, or answered too long ago, is planned with care: no holds, no pumps, no connected breath.</li>
          <li>The natural and the gently deepened breath are open to everybody, always.</li>
        </ul>
      </section>
      <section className="sheet stack">
        <h2>What it does not do</h2>
        <ul>
          <li>
            It clears nobody, finds no illness, and takes the place of no doctor. Licensed clinicians decide; local law, insurance and the studio’s
            policy come first.
          </li>
          <li>It knows only what it was told. Tell your teacher at the door how you are today.</li>
          <li>Its rules are usual cautions gathered for planning. A licensed professional should read them through before they are relied on.</li>
        </ul>
      </section>
      <section className="sheet stack">
        <h2>Who sees what</h2>
        <p>
          The program director alone reads answers, and every reading is recorded. Teachers see what to do, never why. The front desk sees until when
          a form counts. You may ask for everything that is held of you, and for all of it to be erased.
        </p>
      </section>
    </main>
  );
}
