import { Migration } from '@mikro-orm/migrations';

/** The series whose live days a course's classes are is looked for whenever that course is. */
export class Migration20261207000000_series_live extends Migration {
  override up(): void {
    this.addSql('create unique index series_live_course on series (live_course)');
  }
}
