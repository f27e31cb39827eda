import { Migration } from '@mikro-orm/migrations';

/**
 * People sign up for a series by its link; the last change of a series can be taken back; what would mend a series is kept as changes,
 * not as words. A class that is not held leaves its day free for another.
 */
export class Migration20261206000000_series_steps extends Migration {
  override up(): void {
    // Databases that were made in between have these already.
    this.addSql('alter table series add column if not exists join_hash text null unique');
    this.addSql('alter table series_member add column if not exists admitted boolean not null default true');
    this.addSql('alter table series_member alter column admitted drop default');
    this.addSql('alter table series add column last_step jsonb null');
    this.addSql(`update series set unreached = (select coalesce(jsonb_agg(one || '{"mends": []}'), '[]') from jsonb_array_elements(unreached) one)`);
    this.addSql('alter table class_session drop constraint class_session_course_date_key');
    this.addSql('create unique index class_session_held on class_session (course, date) where cancelled is null');
  }
}
