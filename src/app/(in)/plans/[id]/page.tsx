import type { Metadata } from 'next';
import Link from 'next/link';
import { seated } from '@/app/edge';
import { dayText } from '@/core/units';
import { may } from '@/server/auth/permissions';
import { readPlan } from '@/server/usecases/plans/readPlan';
import { ClassLogNote } from '@/ui/plans/ClassLogNote';
import { CueSheet } from '@/ui/plans/CueSheet';
import { Instructions } from '@/ui/plans/Instructions';
import { PlanBoard } from '@/ui/plans/PlanBoard';
import { Signs } from '@/ui/plans/Signs';
import { Plank } from '@/ui/shell/Plank';

export const metadata: Metadata = { title: 'Plan' };

export default async function PlanPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  return seated(async (desk) => {
    const plan = await readPlan(desk, id);
    const { session, course, cohort } = plan;
    // Whoever answers for everybody may log a class for a teacher who could not.
    const open = plan.versions.length > 0 && !plan.log && session.date <= desk.today && plan.state !== 'cancelled';
    const other = may(desk.who.role, 'see reasons') && plan.teacher !== desk.who.id;
    const logsFor = open && other ? (plan.teachers.find((one) => one.id === plan.teacher)?.name ?? 'whoever left') : null;
    return (
      <>
        <div className="head">
          <h1>
            {dayText(session.date)}, {session.start}
          </h1>
          <nav className="actions noprint" aria-label="Other classes">
            {logsFor && <Link href={`/teach/${id}?log`}>Log it for {logsFor.split(' ')[0]}</Link>}
            {session.blocks.length > 0 && <Link href={`/paper/plans/${id}`}>On paper</Link>}
            {session.blocks.length > 0 && <Link href={`/paper/handouts/${id}`}>Handout</Link>}
            {plan.before && <Link href={`/plans/${plan.before.id}`}>‹ {dayText(plan.before.date)}</Link>}
            {plan.after && <Link href={`/plans/${plan.after.id}`}>{dayText(plan.after.date)} ›</Link>}
          </nav>
        </div>
        <p className="soft">
          <Link href={`/courses/${course.id}`}>{course.name}</Link> · <Link href={`/cohorts/${cohort.id}?date=${session.date}`}>{cohort.name}</Link> ·{' '}
          {session.minutes} minutes{plan.of > 1 && ` · class ${plan.number} of ${plan.of}`}
        </p>
        {plan.log && <ClassLogNote session={session.id} log={plan.log} maySettle={may(desk.who.role, 'edit plans')} />}
        <PlanBoard key={session.id} plan={plan} />
        <div className="two" style={{ marginTop: 22 }}>
          <div>
            {plan.forPeople ? (
              <Instructions forPeople={plan.forPeople} asides={plan.asides} blocks={session.blocks} asOf={plan.asOf} />
            ) : (
              <p className="soft">Who does what instead is for whoever teaches this class; it stands in their plan.</p>
            )}
            <CueSheet cues={plan.cues} blocks={session.blocks} />
          </div>
          <Plank>
            <h2>Cautions</h2>
            {plan.cautions.map(({ name, cautions, watchFor }) => (
              <div key={name}>
                <h3>{name}</h3>
                {cautions.map(({ caution, reason }) => (
                  <p key={caution} className="small">
                    <strong>{caution}</strong>: {reason}.
                  </p>
                ))}
                {watchFor.length > 0 && <p className="small">Watch for {watchFor.join(', ')}.</p>}
              </div>
            ))}
            <Signs stopSigns={plan.stopSigns} emergency={plan.emergency} />
          </Plank>
        </div>
      </>
    );
  });
}
