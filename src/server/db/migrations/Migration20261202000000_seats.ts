import { Migration } from '@mikro-orm/migrations';

/** Where a cohort sits when a plan says nothing else. */
export class Migration20261202000000_seats extends Migration {
  override up(): void {
    this.addSql("alter table cohort add column seat text not null default 'floor' check (seat in ('floor', 'chair'))");
  }
}
