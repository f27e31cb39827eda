import { Migration } from '@mikro-orm/migrations';

/**
 * The series whose live days a course's classes are is looked for whenever that course is. Whoever was written their first day hears
 * when it is another.
 */
export class Migration20261207000000_series_told extends Migration {
  override up(): void {
    this.addSql('create unique index series_live_course on series (live_course)');
    this.addSql('alter table series_member add column told_from date null');
  }
}
