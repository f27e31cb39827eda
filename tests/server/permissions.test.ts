import { readdirSync, readFileSync } from 'node:fs';
import { v7 as newId } from 'uuid';
import { CONDITIONS, RULEBOOK, STOP_SIGNS } from '../../src/core/screening';
import type { Desk } from '../../src/server/desk';
import type { Role } from '../../src/core/staff';
import { sessionsOf } from '../../src/server/repositories/courses';
import { addCohort } from '../../src/server/usecases/cohorts/addCohort';
import { addPerson } from '../../src/server/usecases/cohorts/addPerson';
import { listCohorts } from '../../src/server/usecases/cohorts/listCohorts';
import { readCohort } from '../../src/server/usecases/cohorts/readCohort';
import { exportRoster } from '../../src/server/usecases/cohorts/exportRoster';
import { readTracks } from '../../src/server/usecases/cohorts/readTracks';
import { changePerson, enterForm, leaveCohort, comparePerson } from '../../src/server/usecases/people/aboutPerson';
import { erasePerson, exportPerson } from '../../src/server/usecases/people/erasePerson';
import { importRoster, previewRoster } from '../../src/server/usecases/people/importRoster';
import { askByItself, sendReminders } from '../../src/server/usecases/people/sendReminders';
import { formHere, sendForms } from '../../src/server/usecases/people/links';
import { needsDoing } from '../../src/server/usecases/people/needsDoing';
import { openAnswers, readPerson } from '../../src/server/usecases/people/readPerson';
import { readOutbox, readRecord } from '../../src/server/usecases/people/records';
import { endOverride, makeOverride, recordClinician } from '../../src/server/usecases/people/setAsideRules';
import { whatIfAside, whatIfForm } from '../../src/server/usecases/people/whatIf';
import { previewRulebook, readRulebook, saveRulebook, compareRulebook } from '../../src/server/usecases/rules/rulebook';
import { createCourse, createSingle } from '../../src/server/usecases/courses/createCourse';
import { draftCourse, draftingProblem, keepDrafted } from '../../src/server/usecases/courses/draftCourse';
import { acceptCheck } from '../../src/server/usecases/courses/acceptCheck';
import { changeCourse, compareRequest, readRequest, tryCourse } from '../../src/server/usecases/courses/changeCourse';
import { copyCourse } from '../../src/server/usecases/courses/copyCourse';
import {
  cancelClass,
  endCourse,
  leaveClosedDays,
  removeCourse,
  reopenDay,
  tryCancelling,
  tryLeavingClosedDays,
  tryReopening,
} from '../../src/server/usecases/courses/lifeHappens';
import { mendCourse } from '../../src/server/usecases/courses/mendCourse';
import { listCourses } from '../../src/server/usecases/courses/listCourses';
import { addReview, answerStep, mendCheck, moveBlock, pinBlock } from '../../src/server/usecases/courses/moveBlock';
import { prepareCourse } from '../../src/server/usecases/courses/prepareCourse';
import { readClimbs } from '../../src/server/usecases/courses/readClimbs';
import { readCourse } from '../../src/server/usecases/courses/readCourse';
import { undoStep } from '../../src/server/usecases/courses/steps';
import { weeksGive } from '../../src/server/usecases/courses/weeksGive';
import { exportCalendar, importCalendar, makeFeed, previewCalendar } from '../../src/server/usecases/exchange/calendars';
import { exportCourse, exportSeries, importCourse, previewCourse } from '../../src/server/usecases/exchange/coursePackage';
import { readCoursePage, readHandout, readPlanSheet } from '../../src/server/usecases/paper/readPaper';
import { readNotes, sayNote } from '../../src/server/usecases/plans/notes';
import { blockSources, removeTemplate, saveTemplate, takeBlocks } from '../../src/server/usecases/plans/templates';
import { changeRole, inviteAgain, inviteStaff, leaveStaff, resetFor } from '../../src/server/usecases/staff/manage';
import { readAccount, removeOwnAway, saveAway, saveOwnName, saveOwnPassword, signOutElsewhere } from '../../src/server/usecases/staff/ownAccount';
import { readStaff } from '../../src/server/usecases/staff/readStaff';
import { coverFor, coverWithChange, handOver } from '../../src/server/usecases/teach/cover';
import { readWeek } from '../../src/server/usecases/teach/readWeek';
import { listPlans } from '../../src/server/usecases/plans/listPlans';
import { publishMany, publishPlan } from '../../src/server/usecases/plans/publishPlan';
import { readPlan } from '../../src/server/usecases/plans/readPlan';
import { saveBlocks, comparePlan } from '../../src/server/usecases/plans/saveBlocks';
import { putStepsAway } from '../../src/server/usecases/lobby/firstSteps';
import { readLobby } from '../../src/server/usecases/lobby/readLobby';
import { addClosure, removeClosure, saveConventions, saveSpeech } from '../../src/server/usecases/studio/changeStudio';
import { previewGuards, saveGuards } from '../../src/server/usecases/studio/guards';
import { plannedTechniques, previewPace, saveSchools } from '../../src/server/usecases/studio/schools';
import { saveQualifications } from '../../src/server/usecases/staff/manage';
import { readConventions } from '../../src/server/usecases/studio/readConventions';
import { readStudio } from '../../src/server/usecases/studio/readStudio';
import {
  archiveOwnWay,
  exportOwnWays,
  importOwnWays,
  listOwnWays,
  previewOwnWays,
  readOwnWay,
  saveOwnWay,
} from '../../src/server/usecases/techniques/ownWays';
import { lookAtWording } from '../../src/server/usecases/plans/wording';
import { cohortsToFindBy, whoMay } from '../../src/server/usecases/techniques/whoMay';
import { readTechnique } from '../../src/server/usecases/techniques/readTechnique';
import { acknowledgePlan } from '../../src/server/usecases/teach/acknowledgePlan';
import { logClass } from '../../src/server/usecases/teach/logClass';
import { myClasses } from '../../src/server/usecases/teach/myClasses';
import { readClass } from '../../src/server/usecases/teach/readClass';
import { askSeries, draftAgain, lengthenSeries } from '../../src/server/usecases/series/askSeries';
import { changeDay } from '../../src/server/usecases/series/changeDay';
import { removeSeries, stopSeries, undoSeries } from '../../src/server/usecases/series/changeSeries';
import { endPause, pauseSeries } from '../../src/server/usecases/series/pauseSeries';
import { copySeries, createSeries } from '../../src/server/usecases/series/createSeries';
import { listSeries, readSeries } from '../../src/server/usecases/series/readSeries';
import { admit, decline, openSeries } from '../../src/server/usecases/series/signUp';
import { answerSigns, helpThatStands, readSigns } from '../../src/server/usecases/signs/answerSigns';
import { markSign } from '../../src/server/usecases/signs/markSigns';
import { giveNewAddress, letIn, undoStepBack, writeToDrifting } from '../../src/server/usecases/series/takePart';
import { readHeldLogs, settleHeldLog, settleClassLogs } from '../../src/server/usecases/teach/heldLogs';
import { answerOf, closeDatabase, courseInput, demo, deskOf, openBoth, requestOf, TODAY } from './studio';

beforeAll(openBoth, 120_000);
afterAll(closeDatabase);

const ROLES: readonly Role[] = ['director', 'lead teacher', 'teacher', 'front desk'];
const everyQuery = { date: null, focus: null };
const nobody = newId();
const ASKING = RULEBOOK.find(({ answer }) => answer === 'ask first')!.id;

// Letters: director, lead teacher, teacher, front desk. What is allowed may still be refused for what it was given; what matters is who.
const TABLE: readonly (readonly [string, string, (desk: Desk, ids: { cohort: string; course: string; session: string }) => Promise<unknown>])[] = [
  ['readLobby', 'DLTF', (desk) => readLobby(desk)],
  ['lookAtWording', 'DLTF', (desk) => lookAtWording(desk, {})],
  ['readConventions', 'DLTF', (desk) => readConventions(desk)],
  ['listOwnWays', 'DLTF', (desk) => listOwnWays(desk)],
  ['readOwnWay', 'DLTF', (desk) => readOwnWay(desk, nobody)],
  ['saveOwnWay', 'D', (desk) => saveOwnWay(desk, {})],
  ['exportOwnWays', 'D', (desk) => exportOwnWays(desk)],
  ['previewOwnWays', 'D', (desk) => previewOwnWays(desk, {})],
  ['importOwnWays', 'D', (desk) => importOwnWays(desk, {})],
  ['archiveOwnWay', 'D', (desk) => archiveOwnWay(desk, {})],
  ['cohortsToFindBy', 'DLTF', (desk) => cohortsToFindBy(desk)],
  ['whoMay', 'D', (desk, { cohort }) => whoMay(desk, { id: cohort })],
  ['readTechnique', 'DLTF', (desk) => readTechnique(desk, '4-7-8')],
  ['listCohorts', 'DLTF', (desk) => listCohorts(desk)],
  ['readCohort', 'DLTF', (desk, { cohort }) => readCohort(desk, cohort, everyQuery)],
  ['addCohort', 'D', (desk) => addCohort(desk, {})],
  ['addPerson', 'DF', (desk) => addPerson(desk, {})],
  ['readTracks', 'D', (desk, { cohort }) => readTracks(desk, cohort, '4-7-8', TODAY)],
  ['exportRoster', 'DF', (desk) => exportRoster(desk, {})],
  ['previewRoster', 'DF', (desk) => previewRoster(desk, {})],
  ['importRoster', 'DF', (desk) => importRoster(desk, {})],
  ['needsDoing', 'DF', (desk) => needsDoing(desk)],
  ['readPerson', 'DF', (desk) => readPerson(desk, nobody)],
  ['changePerson', 'DF', (desk) => changePerson(desk, {})],
  ['leaveCohort', 'DF', (desk) => leaveCohort(desk, {})],
  ['enterForm', 'DF', (desk) => enterForm(desk, {})],
  ['sendForms', 'DF', (desk) => sendForms(desk, {})],
  ['formHere', 'DF', (desk) => formHere(desk, {})],
  ['openAnswers', 'D', (desk) => openAnswers(desk, {})],
  ['recordClinician', 'D', (desk) => recordClinician(desk, {})],
  ['makeOverride', 'D', (desk) => makeOverride(desk, {})],
  ['endOverride', 'D', (desk) => endOverride(desk, {})],
  ['whatIfAside', 'D', (desk) => whatIfAside(desk, {})],
  ['whatIfForm', 'D', (desk) => whatIfForm(desk, {})],
  ['sendReminders', 'DF', (desk) => sendReminders(desk)],
  ['askByItself', 'D', (desk) => askByItself(desk, {})],
  ['erasePerson', 'D', (desk) => erasePerson(desk, {})],
  ['exportPerson', 'D', (desk) => exportPerson(desk, {})],
  ['readRecord', 'D', (desk) => readRecord(desk)],
  ['readOutbox', 'D', (desk) => readOutbox(desk)],
  ['readRulebook', 'D', (desk) => readRulebook(desk)],
  ['previewRulebook', 'D', (desk) => previewRulebook(desk, {})],
  ['saveRulebook', 'D', (desk) => saveRulebook(desk, {})],
  ['listCourses', 'DL', (desk) => listCourses(desk)],
  ['prepareCourse', 'D', (desk) => prepareCourse(desk)],
  ['createCourse', 'D', (desk) => createCourse(desk, {})],
  ['readClimbs', 'DL', (desk, { course }) => readClimbs(desk, course)],
  ['readCourse', 'DL', (desk, { course }) => readCourse(desk, course)],
  ['draftCourse', 'D', (desk) => draftCourse(desk, {})],
  ['draftingProblem', 'D', (desk) => draftingProblem(desk, {})],
  ['weeksGive', 'D', (desk) => weeksGive(desk, {})],
  ['keepDrafted', 'D', (desk) => keepDrafted(desk, {})],
  ['addReview', 'D', (desk) => addReview(desk, {})],
  ['readRequest', 'D', (desk, { course }) => readRequest(desk, course)],
  ['compareRequest', 'D', (desk) => compareRequest(desk, {})],
  ['changeCourse', 'D', (desk) => changeCourse(desk, {})],
  ['mendCourse', 'D', (desk) => mendCourse(desk, {})],
  ['tryCourse', 'D', (desk) => tryCourse(desk, {})],
  ['cancelClass', 'D', (desk) => cancelClass(desk, {})],
  ['tryCancelling', 'D', (desk) => tryCancelling(desk, {})],
  ['leaveClosedDays', 'D', (desk) => leaveClosedDays(desk, {})],
  ['tryLeavingClosedDays', 'D', (desk) => tryLeavingClosedDays(desk, {})],
  ['reopenDay', 'D', (desk) => reopenDay(desk, {})],
  ['tryReopening', 'D', (desk) => tryReopening(desk, {})],
  ['endCourse', 'D', (desk) => endCourse(desk, {})],
  ['removeCourse', 'D', (desk) => removeCourse(desk, {})],
  ['copyCourse', 'D', (desk) => copyCourse(desk, {})],
  ['undoStep', 'D', (desk) => undoStep(desk, {})],
  ['pinBlock', 'D', (desk) => pinBlock(desk, {})],
  ['answerStep', 'DL', (desk) => answerStep(desk, {})],
  ['acceptCheck', 'D', (desk) => acceptCheck(desk, {})],
  ['moveBlock', 'D', (desk) => moveBlock(desk, {})],
  ['mendCheck', 'D', (desk) => mendCheck(desk, {})],
  ['listPlans', 'DL', (desk) => listPlans(desk)],
  ['readPlan', 'DL', (desk, { session }) => readPlan(desk, session)],
  ['saveBlocks', 'D', (desk) => saveBlocks(desk, {})],
  ['publishPlan', 'D', (desk) => publishPlan(desk, {})],
  ['myClasses', 'DLT', (desk) => myClasses(desk)],
  ['readClass', 'DLT', (desk, { session }) => readClass(desk, session)],
  ['acknowledgePlan', 'DLT', (desk) => acknowledgePlan(desk, {})],
  ['logClass', 'DLT', (desk) => logClass(desk, {})],
  ['inviteStaff', 'D', (desk) => inviteStaff(desk, {})],
  ['inviteAgain', 'D', (desk) => inviteAgain(desk, {})],
  ['resetFor', 'D', (desk) => resetFor(desk, {})],
  ['changeRole', 'D', (desk) => changeRole(desk, {})],
  ['leaveStaff', 'D', (desk) => leaveStaff(desk, {})],
  ['readStaff', 'D', (desk) => readStaff(desk)],
  ['readAccount', 'DLTF', (desk) => readAccount(desk, null)],
  ['saveOwnName', 'DLTF', (desk) => saveOwnName(desk, {})],
  ['saveOwnPassword', 'DLTF', (desk) => saveOwnPassword(desk, null, 'here', {})],
  ['signOutElsewhere', 'DLTF', (desk) => signOutElsewhere(desk, null)],
  ['saveAway', 'DLT', (desk) => saveAway(desk, {})],
  ['removeOwnAway', 'DLT', (desk) => removeOwnAway(desk, {})],
  ['readWeek', 'DLT', (desk) => readWeek(desk, null)],
  ['coverFor', 'DL', (desk, { session }) => coverFor(desk, session)],
  ['handOver', 'DL', (desk) => handOver(desk, {})],
  ['coverWithChange', 'D', (desk) => coverWithChange(desk, {})],
  ['publishMany', 'D', (desk) => publishMany(desk, {})],
  ['sayNote', 'DLT', (desk) => sayNote(desk, {})],
  ['readNotes', 'DLT', (desk) => readNotes(desk, {})],
  ['saveTemplate', 'D', (desk) => saveTemplate(desk, {})],
  ['removeTemplate', 'D', (desk) => removeTemplate(desk, {})],
  ['takeBlocks', 'D', (desk) => takeBlocks(desk, {})],
  ['blockSources', 'D', (desk, { session }) => blockSources(desk, session)],
  ['createSingle', 'D', (desk) => createSingle(desk, {})],
  ['exportCourse', 'D', (desk, { course }) => exportCourse(desk, course)],
  ['previewCourse', 'D', (desk) => previewCourse(desk, {})],
  ['importCourse', 'D', (desk) => importCourse(desk, {})],
  ['makeFeed', 'DLT', (desk) => makeFeed(desk, {})],
  ['readPlanSheet', 'DLT', (desk, { session }) => readPlanSheet(desk, session)],
  ['readHandout', 'DLT', (desk, { session }) => readHandout(desk, session)],
  ['readCoursePage', 'DL', (desk, { course }) => readCoursePage(desk, course)],
  ["exportCalendar, one's own", 'DLT', (desk) => exportCalendar(desk, { of: 'mine' })],
  ['exportCalendar, the studio', 'DL', (desk) => exportCalendar(desk, { of: 'studio' })],
  ['exportCalendar, a course', 'DL', (desk, { course }) => exportCalendar(desk, { of: 'course', course })],
  ['previewCalendar, closures', 'D', (desk) => previewCalendar(desk, { once: newId(), text: 'x', as: 'closures' })],
  ['importCalendar, closures', 'D', (desk) => importCalendar(desk, { once: newId(), text: 'x', as: 'closures' })],
  ['importCalendar, busy', 'DLT', (desk) => importCalendar(desk, { once: newId(), text: 'x', as: 'busy' })],
  ['listSeries', 'DLTF', (desk) => listSeries(desk)],
  ['readSeries', 'DLTF', (desk) => readSeries(desk, nobody)],
  ['exportSeries', 'D', (desk) => exportSeries(desk, nobody)],
  ...[
    createSeries,
    copySeries,
    changeDay,
    draftAgain,
    askSeries,
    lengthenSeries,
    pauseSeries,
    endPause,
    stopSeries,
    removeSeries,
    undoSeries,
    openSeries,
    admit,
    decline,
    letIn,
    giveNewAddress,
    undoStepBack,
    writeToDrifting,
  ].map((work) => [work.name, 'D', (desk: Desk) => work(desk, {})] as const),
  ['comparePerson', 'DF', (desk) => comparePerson(desk, {})],
  ['comparePlan', 'D', (desk) => comparePlan(desk, {})],
  ['compareRulebook', 'D', (desk) => compareRulebook(desk, {})],
  ['readHeldLogs', 'D', (desk) => readHeldLogs(desk)],
  ['settleHeldLog', 'D', (desk) => settleHeldLog(desk, {})],
  ['settleClassLogs', 'D', (desk) => settleClassLogs(desk, {})],
  ['answerSigns', 'D', (desk) => answerSigns(desk, {})],
  ['readSigns', 'D', (desk) => readSigns(desk)],
  ['helpThatStands', 'D', (desk) => helpThatStands(desk)],
  ['markSign', 'DLT', (desk) => markSign(desk, {})],
  ['putStepsAway', 'D', (desk) => putStepsAway(desk)],
  ['readStudio', 'D', (desk) => readStudio(desk)],
  ['saveConventions', 'D', (desk) => saveConventions(desk, {})],
  ['saveSchools', 'D', (desk) => saveSchools(desk, {})],
  ['plannedTechniques', 'D', (desk) => plannedTechniques(desk)],
  ['previewPace', 'D', (desk) => previewPace(desk, {})],
  ['saveGuards', 'D', (desk) => saveGuards(desk, {})],
  ['previewGuards', 'D', (desk) => previewGuards(desk, {})],
  ['saveSpeech', 'D', (desk) => saveSpeech(desk, {})],
  ['addClosure', 'D', (desk) => addClosure(desk, {})],
  ['removeClosure', 'D', (desk) => removeClosure(desk, { id: nobody })],
  ['saveQualifications', 'D', (desk) => saveQualifications(desk, {})],
];

test.each(TABLE)('%s is for %s', async (_, letters, work) => {
  const { ferry, boat } = await demo(await deskOf('director'));
  const [session] = await sessionsOf(await deskOf('director'), [boat.id]);
  const allowed = await Promise.all(
    ROLES.map(async (role) => (await answerOf(work(await deskOf(role), { cohort: ferry, course: boat.id, session: session.id }))) !== 'not-allowed'),
  );
  expect(['D', 'L', 'T', 'F'].filter((_letter, index) => allowed[index]).join('')).toBe(letters);
});

test('whatever a page may send is in this table', () => {
  const folder = 'src/app/actions';
  const sent = readdirSync(folder).flatMap((file) =>
    [...readFileSync(`${folder}/${file}`, 'utf8').matchAll(/reply\((?:async )?\(desk\) => (\w+)\(/g)].map(([, name]) => name),
  );
  const known = TABLE.map(([name]) => name.split(',')[0]);
  expect(sent.length).toBeGreaterThan(80);
  expect(sent.filter((name) => !known.includes(name))).toEqual([]);
});

test('another studio finds nothing of ours', async () => {
  const { ferry, boat, person } = await demo(await deskOf('director'));
  const [session] = (await sessionsOf(await deskOf('director'), [boat.id])).filter(({ date }) => date >= TODAY);
  const stranger = () => deskOf('stranger');
  const fenna = await person('Fenna T.');
  const blocks = session.blocks.map((block) => ({ technique: null, part: null, pattern: null, dose: null, tempo: null, minutes: null, ...block }));
  const asked = await requestOf(await deskOf('director'), boat);
  const answers = [
    readCohort(await stranger(), ferry, { date: null, focus: { person: await person('Fenna T.'), technique: 'equal-4-4-4' } }),
    addPerson(await stranger(), { once: newId(), cohort: ferry, name: 'Nobody' }),
    whoMay(await stranger(), { id: ferry }),
    readTracks(await stranger(), ferry, '4-7-8', TODAY),
    exportRoster(await stranger(), { id: ferry }),
    importRoster(await stranger(), { once: newId(), cohort: ferry, text: 'name\nAnna', mapping: { name: 'name' } }),
    readPerson(await stranger(), fenna),
    changePerson(await stranger(), { person: fenna, version: 1, name: 'Nobody', cohort: ferry }),
    leaveCohort(await stranger(), { person: fenna, version: 1 }),
    enterForm(await stranger(), { once: newId(), person: fenna, screenedOn: TODAY }),
    sendForms(await stranger(), { once: newId(), people: [fenna] }),
    formHere(await stranger(), { people: [fenna] }),
    openAnswers(await stranger(), { person: fenna, why: 'curious' }),
    recordClinician(await stranger(), { once: newId(), person: fenna, rules: [ASKING], answeredOn: TODAY, until: TODAY }),
    makeOverride(await stranger(), { once: newId(), person: fenna, rules: [ASKING], reason: 'because I can', until: TODAY }),
    endOverride(await stranger(), { person: fenna, override: fenna }),
    whatIfAside(await stranger(), { once: newId(), person: fenna, rules: [ASKING], reason: 'because I can', until: TODAY }),
    erasePerson(await stranger(), { person: fenna, name: 'Fenna T.' }),
    exportPerson(await stranger(), { person: fenna, why: 'curious' }),
    ...[inviteAgain, resetFor, leaveStaff].map(async (work) => work(await stranger(), { staff: boat.teacher, version: 1 })),
    changeRole(await stranger(), { staff: boat.teacher, version: 1, role: 'front desk' }),
    saveQualifications(await stranger(), { staff: boat.teacher, version: 1, families: [] }),
    saveAway(await stranger(), { once: newId(), staff: boat.teacher, from: TODAY, until: TODAY }),
    coverFor(await stranger(), session.id),
    ...[handOver, coverWithChange].map(async (work) =>
      work(await stranger(), { once: newId(), session: session.id, version: session.version, teacher: (await stranger()).who.id }),
    ),
    publishMany(await stranger(), { once: newId(), course: boat.id, seen: [{ session: session.id, version: session.version }] }),
    sayNote(await stranger(), { once: newId(), session: session.id, text: 'hello' }),
    readNotes(await stranger(), { session: session.id }),
    saveTemplate(await stranger(), { once: newId(), session: session.id, name: 'Mine' }),
    takeBlocks(await stranger(), { from: 'class', id: session.id }),
    exportCourse(await stranger(), boat.id),
    readPlanSheet(await stranger(), session.id),
    readHandout(await stranger(), session.id),
    readCoursePage(await stranger(), boat.id),
    exportCalendar(await stranger(), { of: 'course', course: boat.id }),
    readCourse(await stranger(), boat.id),
    readClimbs(await stranger(), boat.id),
    draftCourse(await stranger(), { course: boat.id, version: boat.version, seen: [] }),
    draftingProblem(await stranger(), { course: boat.id, version: boat.version, seen: [] }),
    weeksGive(await stranger(), asked),
    weeksGive(await stranger(), { ...asked, course: null }),
    keepDrafted(await stranger(), { course: boat.id, version: boat.version, seen: [], classes: [{ session: boat.id, techniques: [] }] }),
    addReview(await stranger(), { course: boat.id, session: boat.id, technique: 'belly', seen: [] }),
    readRequest(await stranger(), boat.id),
    compareRequest(await stranger(), asked),
    changeCourse(await stranger(), asked),
    mendCourse(await stranger(), { course: boat.id, version: boat.version, seen: [], mends: [{ code: 'weeks', number: 20 }] }),
    tryCourse(await stranger(), asked),
    cancelClass(await stranger(), { ...asked, session: session.id, reason: 'because', bend: 'drop' }),
    tryCancelling(await stranger(), { ...asked, session: session.id, reason: 'because', bend: 'drop' }),
    leaveClosedDays(await stranger(), { ...asked, bend: 'drop' }),
    tryLeavingClosedDays(await stranger(), { ...asked, bend: 'drop' }),
    reopenDay(await stranger(), { ...asked, date: TODAY }),
    tryReopening(await stranger(), { ...asked, date: TODAY }),
    endCourse(await stranger(), { ...asked, reason: 'because' }),
    removeCourse(await stranger(), asked),
    copyCourse(await stranger(), { once: newId(), course: boat.id, name: 'Ours', cohort: ferry, firstDate: '2026-12-01', teacher: boat.teacher }),
    undoStep(await stranger(), asked),
    pinBlock(await stranger(), { course: boat.id, block: blocks[0].id, pinned: true, seen: [] }),
    answerStep(await stranger(), { ...asked, technique: 'belly', answer: 'stay' }),
    acceptCheck(await stranger(), { ...asked, key: 'a check', reason: 'because' }),
    moveBlock(await stranger(), { course: boat.id, seen: [], block: blocks[0].id, to: session.id }),
    readPlan(await stranger(), session.id),
    saveBlocks(await stranger(), { session: session.id, version: session.version, blocks }),
    publishPlan(await stranger(), { once: newId(), session: session.id, version: session.version, teacher: boat.teacher }),
    readClass(await stranger(), session.id),
    saveQualifications(await stranger(), { staff: boat.teacher, version: 1, families: [] }),
    createCourse(await stranger(), { ...courseInput(boat.teacher), cohort: ferry }),
  ];
  expect(await Promise.all(answers.map(answerOf))).toEqual(answers.map(() => 'not-found'));
  expect(await listCohorts(await stranger())).toEqual([]);
  expect(await listCourses(await stranger())).toEqual([]);
});

test('an id that is no id is simply not here', async () => {
  const director = await deskOf('director');
  for (const id of ['nonsense', "1' or '1'='1", '', '../../etc']) {
    const answers = [
      readCohort(director, id, everyQuery),
      readCourse(director, id),
      readPlan(director, id),
      readClass(director, id),
      readSeries(director, id),
      exportSeries(director, id),
    ];
    expect(await Promise.all(answers.map(answerOf))).toEqual(answers.map(() => 'not-found'));
  }
});

const HEALTH_WORDS = CONDITIONS.filter(({ question }) => question).flatMap(({ id, name, reason }) => [`"${id}"`, name, reason]);

// The stop signs, which everybody sees, name it for everybody.
const PUBLIC = STOP_SIGNS.find((sign) => sign.includes('pregnancy'))!;

test('no answer, and no name of a condition, reaches anybody but the director', async () => {
  const { ferry, boat, person } = await demo(await deskOf('director'));
  const fenna = await person('Fenna T.');
  const sessions = await sessionsOf(await deskOf('director'), [boat.id]);
  const series = await listSeries(await deskOf('director'));
  expect(series.length).toBeGreaterThan(0);
  const focus = { person: fenna, technique: 'equal-4-4-4' };
  const told: string[] = [];
  for (const role of ['lead teacher', 'teacher', 'front desk'] as const) {
    const desk = await deskOf(role);
    const read = [
      readLobby(desk),
      listCohorts(desk),
      whoMay(desk, { id: ferry }),
      needsDoing(desk),
      readPerson(desk, fenna),
      exportRoster(desk, { id: ferry }),
      ...['4-7-8', 'pumps-27', 'square-4'].map((technique) => readTracks(desk, ferry, technique, TODAY)),
      readCohort(desk, ferry, { date: TODAY, focus, all: true }),
      readCohort(desk, ferry, { date: TODAY, focus }),
      listCourses(desk),
      readCourse(desk, boat.id),
      listPlans(desk),
      ...sessions.map(({ id }) => readPlan(desk, id)),
      ...sessions.map(({ id }) => readClass(desk, id)),
      listSeries(desk),
      ...series.map(({ id }) => readSeries(desk, id)),
    ];
    for (const answer of await Promise.allSettled(read))
      told.push(
        JSON.stringify(answer.status === 'fulfilled' ? answer.value : String(answer.reason))
          .replaceAll(PUBLIC, '')
          .replaceAll('"connected route":"nose"', '')
          // How a block is done has eyes too.
          .replaceAll(/"eyes":"(?:open|closed|as you like)"/g, ''),
      );
  }
  expect(told.join('').length).toBeGreaterThan(50_000);
  expect(HEALTH_WORDS.filter((words) => told.some((text) => text.includes(words)))).toEqual([]);
  const director = JSON.stringify(await readCohort(await deskOf('director'), ferry, { date: TODAY, focus }));
  expect(director).toContain('high blood pressure');
}, 60_000);

test('a teacher sees names only of cohorts they teach, front desk sees dates and no marks', async () => {
  const { ferry, choir } = await demo(await deskOf('director'));
  const teacher = await deskOf('teacher');
  expect((await listCohorts(teacher)).map(({ id }) => id)).toEqual([ferry]);
  expect(await answerOf(readCohort(teacher, choir, everyQuery))).toBe('not-found');
  expect(await readCohort(await deskOf('front desk'), ferry, everyQuery)).toMatchObject({ table: null });
});
