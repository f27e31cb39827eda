import Button from '@mui/material/Button';
import type { Metadata } from 'next';
import Link from 'next/link';
import { seated } from '@/app/edge';
import { readStudio } from '@/server/usecases/studio/readStudio';
import { Closures } from '@/ui/studio/Closures';
import { ConventionsForm } from '@/ui/studio/ConventionsForm';
import { GuardsForm } from '@/ui/studio/GuardsForm';
import { SchoolsForm } from '@/ui/studio/SchoolsForm';
import { SpeechForm } from '@/ui/studio/SpeechForm';

export const metadata: Metadata = { title: 'Studio' };

export default function StudioPage() {
  return seated(async (desk) => {
    const { studio, closed, staff, today } = await readStudio(desk);
    const ahead = closed.filter(({ until }) => until >= today);
    return (
      <>
        <div className="head">
          <h1>{studio.name}</h1>
          <div className="actions">
            <Button href="/studio/staff" variant="contained">
              Staff
            </Button>
            <Button href="/studio/record">The record</Button>
            <Button href="/studio/outbox">Outbox</Button>
          </div>
        </div>
        <p className="lead">
          <Link href="/studio/staff">{staff} staff</Link>. A count is {studio.tempo / 1000} s here unless a block says otherwise.{' '}
          {ahead.length === 0 ? 'No closed days ahead.' : ahead.length === 1 ? 'One closure ahead.' : `${ahead.length} closures ahead.`}
        </p>
        {/* Each is keyed by what it shows, so that saving one leaves what was begun in another. */}
        <div className="two">
          <div className="stack" style={{ gap: 22 }}>
            <SchoolsForm
              key={JSON.stringify(studio.schools)}
              version={studio.version}
              schools={studio.schools}
              pace={{ tempo: studio.tempo, naturalBreath: studio.naturalBreath }}
            />
            <SpeechForm
              key={`speech ${JSON.stringify([studio.speech.loudness, studio.speech.wordsPerSecond, studio.speech.wording])}`}
              version={studio.version}
              speech={studio.speech}
              families={studio.library.families.map(({ id, name }) => ({ id, name }))}
            />
          </div>
          <aside className="stack">
            <ConventionsForm
              key={`pace ${studio.tempo} ${studio.naturalBreath}`}
              version={studio.version}
              tempoSeconds={studio.tempo / 1000}
              naturalSeconds={studio.naturalBreath / 1000}
            />
            <GuardsForm key={`guards ${JSON.stringify(studio.guards)}`} version={studio.version} guards={studio.guards} />
            <Closures closures={ahead} today={today} />
          </aside>
        </div>
      </>
    );
  });
}
