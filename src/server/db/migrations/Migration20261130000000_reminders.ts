import { Migration } from '@mikro-orm/migrations';

/** Forms that are asked for by themselves: in whose name, and where the studio is reached. */
export class Migration20261130000000_reminders extends Migration {
  override up(): void {
    this.addSql('alter table studio add column reminders jsonb');
  }
}
