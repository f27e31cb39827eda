import Link from 'next/link';

/** Where something is made for a cohort and there is none yet: what comes first. @example <NoCohort what="A course" /> */
export function NoCohort({ what }: { what: string }) {
  return (
    <p className="note">
      {what} is for a cohort, and there is none yet. <Link href="/cohorts">Make the first cohort</Link>.
    </p>
  );
}
