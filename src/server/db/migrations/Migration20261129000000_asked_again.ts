import { Migration } from '@mikro-orm/migrations';

/** When somebody joined their cohort, and plans that are acknowledged again because instructions became stricter. */
export class Migration20261129000000_asked_again extends Migration {
  override up(): void {
    this.addSql(`
      -- Who is here already had joined before anything was read.
      alter table person add column joined_at timestamptz not null default '2000-01-01';
      alter table person alter column joined_at drop default;
      alter table acknowledgement drop constraint acknowledgement_plan_staff_key;
      create index on acknowledgement (studio, plan);
    `);
  }
}
