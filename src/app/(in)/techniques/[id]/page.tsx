import type { Metadata } from 'next';
import Link from 'next/link';
import { seated } from '@/app/edge';
import { needsOf, opens } from '@/core/ladder';
import { questionsFor, schoolCues, schoolsOf, taughtAs } from '@/core/conventions';
import { sharedAliases } from '@/core/techniques';
import { may } from '@/server/auth/permissions';
import { readTechnique } from '@/server/usecases/techniques/readTechnique';
import { Steps } from '@/ui/ladder/Steps';
import { Bench } from '@/ui/techniques/Bench';
import { TechniqueSchools } from '@/ui/techniques/TechniqueSchools';
import { Variants } from '@/ui/techniques/Variants';
import { dayText } from '@/core/units';
import { Plank } from '@/ui/shell/Plank';

export const metadata: Metadata = { title: 'Technique' };

export default async function TechniquePage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  return seated(async (desk) => {
    const { technique, library, tempo, naturalBreath, speech, ruleChanges, usedIn, studioVersion } = await readTechnique(desk, id);
    const { of } = technique;
    const taught = taughtAs(technique, speech.schools);
    const all = sharedAliases(library.families);
    const shared = of.aliases.filter((alias) => all.has(alias));
    const aliases = [...of.aliases, ...(technique.aliases ?? [])];
    return (
      <>
        <div className="head">
          <div>
            <h1>{technique.name}</h1>
            <p className="soft">
              also called {aliases.join(', ')}
              {shared.map((alias) => (
                <span key={alias} style={{ color: 'var(--ochre)' }}>
                  {' '}
                  (“{alias}” also means{' '}
                  {all
                    .get(alias)
                    ?.filter((name) => name !== of.name)
                    .join(', ')}
                  )
                </span>
              ))}
            </p>
          </div>
          <div className="actions">
            <Link href="/techniques">All techniques</Link>
          </div>
        </div>
        <p className="lead">
          {of.about} Rung <span className="num">{technique.rung}</span>, {technique.nature}, for the {technique.taughtAt.join(', ')}, {of.posture}.
        </p>
        <div className="two">
          <div>
            <Bench
              key={`${taught.pattern} ${taught.dose}`}
              pattern={taught.pattern}
              dose={taught.dose}
              tempo={tempo}
              naturalBreath={naturalBreath}
              tags={technique.tags}
              family={of.id}
              technique={technique.id}
              cues={of.cues}
              speech={speech}
              rules={ruleChanges}
              saving={may(desk.who.role, 'edit techniques') ? { id: null, version: 0, base: technique.id, name: '' } : null}
            />
            <Variants technique={technique} techniques={library.techniques} pace={{ tempo, naturalBreath }} schools={speech.schools} />
          </div>
          <Plank>
            <section>
              <h2>Needs</h2>
              <Steps
                library={library}
                edges={needsOf(library.edges, id)}
                end="needs"
                none="Nothing: it stands on the ground."
                href={(other) => `/techniques/${other}`}
              />
            </section>
            <section>
              <h2>Opens</h2>
              <Steps library={library} edges={opens(library.edges, id)} end="to" none="Nothing further." href={(other) => `/techniques/${other}`} />
            </section>
            {usedIn && (
              <section>
                <h2>Used in</h2>
                {usedIn.length === 0 ? (
                  <p className="soft">No course practises it.</p>
                ) : (
                  <ul className="plain">
                    {usedIn.map(({ course, name, classes, next }) => (
                      <li key={course}>
                        <Link href={`/courses/${course}`}>{name}</Link>{' '}
                        <span className="small soft">
                          {classes} {classes === 1 ? 'class' : 'classes'}
                          {next ? `, next ${dayText(next)}` : ''}
                        </span>
                      </li>
                    ))}
                  </ul>
                )}
              </section>
            )}
            <section>
              <h2>Cues</h2>
              <ul>
                {[...schoolCues(technique.read.pattern, schoolsOf(speech.schools, technique.id)), ...of.cues.map(({ say }) => say)].map((cue) => (
                  <li key={cue}>{cue}</li>
                ))}
              </ul>
            </section>
            {of.watchFor.length > 0 && (
              <section>
                <h2>Watch for</h2>
                <p>{of.watchFor.join('; ')}.</p>
              </section>
            )}
            <section>
              <h2>How much</h2>
              <p>{of.doses}.</p>
            </section>
            {(of.schools.length > 0 || questionsFor(technique).length > 0) && (
              <section>
                <h2>Schools</h2>
                <TechniqueSchools technique={technique} schools={speech.schools} version={studioVersion} pace={{ tempo, naturalBreath }} />
                {of.schools.map(({ question, ways }) => (
                  <p key={question} className="small">
                    <strong>{question}</strong> {ways[0]} <span className="soft">(as here); or {ways.slice(1).join('; ')}</span>
                  </p>
                ))}
              </section>
            )}
            {of.cautions.length > 0 && (
              <section>
                <h2>Cautions</h2>
                {of.cautions.map(({ caution, reason }) => (
                  <p key={caution}>
                    <strong>{caution}</strong>: {reason}.
                  </p>
                ))}
              </section>
            )}
          </Plank>
        </div>
      </>
    );
  });
}
