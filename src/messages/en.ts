import assessment from './en/assessment.json' with { type: 'json' }
import attempt from './en/attempt.json' with { type: 'json' }
import board from './en/board.json' with { type: 'json' }
import calculators from './en/calculators.json' with { type: 'json' }
import cautions from './en/cautions.json' with { type: 'json' }
import circuit from './en/circuit.json' with { type: 'json' }
import diagnosis from './en/diagnosis.json' with { type: 'json' }
import document from './en/document.json' with { type: 'json' }
import faults from './en/faults.json' with { type: 'json' }
import formats from './en/formats.json' with { type: 'json' }
import handbook from './en/handbook.json' with { type: 'json' }
import instruments from './en/instruments.json' with { type: 'json' }
import lab from './en/lab.json' with { type: 'json' }
import learning from './en/learning.json' with { type: 'json' }
import parts from './en/parts.json' with { type: 'json' }
import procedures from './en/procedures.json' with { type: 'json' }
import quantity from './en/quantity.json' with { type: 'json' }
import quiz from './en/quiz.json' with { type: 'json' }
import readings from './en/readings.json' with { type: 'json' }
import rules from './en/rules.json' with { type: 'json' }
import school from './en/school.json' with { type: 'json' }
import solve from './en/solve.json' with { type: 'json' }
import tables from './en/tables.json' with { type: 'json' }
import time from './en/time.json' with { type: 'json' }
import workshop from './en/workshop.json' with { type: 'json' }
import uiAccount from './en/ui/account.json' with { type: 'json' }
import uiBench from './en/ui/bench.json' with { type: 'json' }
import uiClasses from './en/ui/classes.json' with { type: 'json' }
import uiCommon from './en/ui/common.json' with { type: 'json' }
import uiDays from './en/ui/days.json' with { type: 'json' }
import uiDesk from './en/ui/desk.json' with { type: 'json' }
import uiDrills from './en/ui/drills.json' with { type: 'json' }
import uiExams from './en/ui/exams.json' with { type: 'json' }
import uiFloor from './en/ui/floor.json' with { type: 'json' }
import uiHandbook from './en/ui/handbook.json' with { type: 'json' }
import uiIntro from './en/ui/intro.json' with { type: 'json' }
import uiCircuits from './en/ui/circuits.json' with { type: 'json' }
import uiHome from './en/ui/home.json' with { type: 'json' }
import uiKeys from './en/ui/keys.json' with { type: 'json' }
import uiLedger from './en/ui/ledger.json' with { type: 'json' }
import uiLessons from './en/ui/lessons.json' with { type: 'json' }
import uiPaper from './en/ui/paper.json' with { type: 'json' }
import uiParts from './en/ui/parts.json' with { type: 'json' }
import uiPlant from './en/ui/plant.json' with { type: 'json' }
import uiReadings from './en/ui/readings.json' with { type: 'json' }
import uiReview from './en/ui/review.json' with { type: 'json' }
import uiRubric from './en/ui/rubric.json' with { type: 'json' }
import uiSchematic from './en/ui/schematic.json' with { type: 'json' }
import uiSheet from './en/ui/sheet.json' with { type: 'json' }
import uiShell from './en/ui/shell.json' with { type: 'json' }
import uiShow from './en/ui/show.json' with { type: 'json' }
import uiStores from './en/ui/stores.json' with { type: 'json' }

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
  learning,
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
  'ui.drills': uiDrills,
  'ui.exams': uiExams,
  'ui.floor': uiFloor,
  'ui.handbook': uiHandbook,
  'ui.intro': uiIntro,
  'ui.circuits': uiCircuits,
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
