import { Migration } from '@mikro-orm/migrations';

/** A studio's own ways of doing a technique. Versions only ever grow, so that what a course uses does not change under it. */
export class Migration20261125000000_own_ways extends Migration {
  override up(): void {
    this.addSql(`
      create table own_way (
        id uuid primary key, studio uuid not null references studio, base text not null, name text not null,
        archived boolean not null default false, version integer not null default 1, unique (studio, name)
      );
      create table own_way_version (
        id uuid primary key, studio uuid not null references studio, way uuid not null references own_way, number integer not null,
        pattern text not null, dose text not null, saved_by uuid not null references staff, saved_at timestamptz not null, unique (way, number)
      );
      create index on own_way_version (studio, way);
      create trigger own_way_version_append_only before update or delete on own_way_version for each row execute function refuse_change();
    `);
  }
}
