import Button from '@mui/material/Button';
import type { Metadata } from 'next';
import Link from 'next/link';
import { seated } from '@/app/edge';
import { longDayText } from '@/core/units';
import { readPerson } from '@/server/usecases/people/readPerson';
import { Answers } from '@/ui/people/Answers';
import { AskPerson } from '@/ui/people/AskPerson';
import { PersonDesk } from '@/ui/people/PersonDesk';
import { Plank } from '@/ui/shell/Plank';

export const metadata: Metadata = { title: 'Person' };

const SOURCE = { paper: 'paper form', form: 'answered by link', 'nothing changed': 'nothing had changed' } as const;

export default async function PersonPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  return seated(async (desk) => {
    const { person, cohort, cohorts, standing, screenings, link, mayReason, today } = await readPerson(desk, id);
    return (
      <>
        <div className="head">
          <div>
            <h1>{person.name}</h1>
            <p className="soft">
              in <Link href={`/cohorts/${cohort.id}`}>{cohort.name}</Link>
              {person.leftOn ? `, left on ${longDayText(person.leftOn)}` : ''}
            </p>
          </div>
          <div className="actions">
            <Button href={`/cohorts/people/${id}/form`}>Type in a paper form</Button>
          </div>
        </div>
        <p className="lead">
          {standing.state === 'none'
            ? 'Not screened yet: planned with no holds, no pumps and no connected breath.'
            : standing.state === 'over'
              ? `The screening ran out on ${longDayText(standing.until)}. What was answered before still counts.`
              : `Screened until ${longDayText(standing.until)}.`}
        </p>
        <div className="two">
          <div className="stack" style={{ gap: 22 }}>
            <AskPerson person={{ id, name: person.name, email: person.email }} link={link ?? null} />
            {mayReason && <Answers person={id} today={today} />}
            <PersonDesk person={person} cohorts={cohorts} mayErase={mayReason} />
          </div>
          <Plank>
            <h2>Forms</h2>
            {screenings.length === 0 ? (
              <p className="soft">None yet.</p>
            ) : (
              <ul className="plain">
                {screenings.map(({ screenedOn, source, by }, index) => (
                  <li key={index} style={{ padding: '5px 0' }}>
                    {longDayText(screenedOn)}
                    <br />
                    <span className="small soft">
                      {SOURCE[source]}
                      {by ? `, typed in by ${by}` : ''}
                    </span>
                  </li>
                ))}
              </ul>
            )}
            <p className="small soft">
              What was answered is sealed with a key of this person’s own.{' '}
              {mayReason ? 'You read it where the plan needs it, and every reading is recorded.' : 'The director alone reads it.'}
            </p>
          </Plank>
        </div>
      </>
    );
  });
}
