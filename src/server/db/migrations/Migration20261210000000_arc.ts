import { Migration } from '@mikro-orm/migrations';

/** How a course is built: when new things come, and how much of the hour is breathing. */
export class Migration20261210000000_arc extends Migration {
  override up(): void {
    this.addSql(`alter table course add column arc jsonb not null default '{"pace": "spread", "breath": "usual"}'`);
    this.addSql('alter table course alter column arc drop default');
  }
}
