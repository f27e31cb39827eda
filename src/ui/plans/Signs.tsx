/** Stop signs and when to call for help, on every plan and class. */
export function Signs({ stopSigns, emergency }: { stopSigns: readonly string[]; emergency: string }) {
  return (
    <section>
      <h2>Stop signs</h2>
      <p className="small">{stopSigns.join(' · ')}</p>
      <p className="small">
        <strong>Let go, breathe naturally, sit or lie; the teacher attends.</strong> {emergency} Never in water, at the wheel, or standing for holds,
        pumps and connected breath.
      </p>
    </section>
  );
}
