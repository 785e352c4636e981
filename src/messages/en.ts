import assessment from './en/assessment.json'
import attempt from './en/attempt.json'
import board from './en/board.json'
import calculators from './en/calculators.json'
import cautions from './en/cautions.json'
import circuit from './en/circuit.json'
import diagnosis from './en/diagnosis.json'
import document from './en/document.json'
import faults from './en/faults.json'
import formats from './en/formats.json'
import handbook from './en/handbook.json'
import instruments from './en/instruments.json'
import lab from './en/lab.json'
import parts from './en/parts.json'
import procedures from './en/procedures.json'
import quantity from './en/quantity.json'
import quiz from './en/quiz.json'
import readings from './en/readings.json'
import rules from './en/rules.json'
import school from './en/school.json'
import solve from './en/solve.json'
import tables from './en/tables.json'
import time from './en/time.json'
import workshop from './en/workshop.json'
import uiAccount from './en/ui/account.json'
import uiBench from './en/ui/bench.json'
import uiClasses from './en/ui/classes.json'
import uiCommon from './en/ui/common.json'
import uiDays from './en/ui/days.json'
import uiDesk from './en/ui/desk.json'
import uiFloor from './en/ui/floor.json'
import uiHandbook from './en/ui/handbook.json'
import uiHome from './en/ui/home.json'
import uiKeys from './en/ui/keys.json'
import uiLedger from './en/ui/ledger.json'
import uiLessons from './en/ui/lessons.json'
import uiPaper from './en/ui/paper.json'
import uiParts from './en/ui/parts.json'
import uiPlant from './en/ui/plant.json'
import uiReadings from './en/ui/readings.json'
import uiReview from './en/ui/review.json'
import uiRubric from './en/ui/rubric.json'
import uiSchematic from './en/ui/schematic.json'
import uiSheet from './en/ui/sheet.json'
import uiShell from './en/ui/shell.json'
import uiShow from './en/ui/show.json'
import uiStores from './en/ui/stores.json'

/** Every file of messages, in English: its name begins the codes of what stands in it. */
export const en = {
  assessment,
  attempt,
  board,
  calculators,
  cautions,
  circuit,
  diagnosis,
  document,
  faults,
  formats,
  handbook,
  instruments,
  lab,
  parts,
  procedures,
  quantity,
  quiz,
  readings,
  rules,
  school,
  solve,
  tables,
  time,
  workshop,
  'ui.account': uiAccount,
  'ui.bench': uiBench,
  'ui.classes': uiClasses,
  'ui.common': uiCommon,
  'ui.days': uiDays,
  'ui.desk': uiDesk,
  'ui.floor': uiFloor,
  'ui.handbook': uiHandbook,
  'ui.home': uiHome,
  'ui.keys': uiKeys,
  'ui.ledger': uiLedger,
  'ui.lessons': uiLessons,
  'ui.paper': uiPaper,
  'ui.parts': uiParts,
  'ui.plant': uiPlant,
  'ui.readings': uiReadings,
  'ui.review': uiReview,
  'ui.rubric': uiRubric,
  'ui.schematic': uiSchematic,
  'ui.sheet': uiSheet,
  'ui.shell': uiShell,
  'ui.show': uiShow,
  'ui.stores': uiStores,
}
