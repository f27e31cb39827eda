import { defineEntity, p } from '@mikro-orm/core';
import type { Edge } from '@/core/ladder';
import type { OwnTechnique } from '@/core/techniques';
import { ofStaff, ofStudio } from './studio';

export const OwnWayRow = defineEntity({
  name: 'OwnWay',
  tableName: 'own_way',
  properties: { id: p.uuid().primary(), studio: ofStudio(), base: p.text(), name: p.text(), archived: p.boolean(), version: p.integer().version() },
});

export const OwnWayVersionRow = defineEntity({
  name: 'OwnWayVersion',
  tableName: 'own_way_version',
  properties: {
    id: p.uuid().primary(),
    studio: ofStudio(),
    way: p.manyToOne(OwnWayRow).mapToPk().fieldName('way'),
    number: p.integer(),
    pattern: p.text(),
    dose: p.text(),
    savedBy: ofStaff('saved_by'),
    savedAt: p.datetime(),
  },
});

/** A technique of a studio's own that is no way of a shipped one, with its place on the ladder. */
export const OwnTechniqueRow = defineEntity({
  name: 'OwnTechnique',
  tableName: 'own_technique',
  properties: {
    id: p.uuid().primary(),
    studio: ofStudio(),
    technique: p.json<OwnTechnique>(),
    edges: p.json<readonly Edge[]>(),
    archived: p.boolean(),
    version: p.integer().version(),
  },
});
