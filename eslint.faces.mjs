/**
 * What screens may call of the core while they draw. Everything of the folders not named here is free: schema, edits, units, tables. Of those named,
 * only these: each answers within a millisecond or two. What takes longer is asked of the worker, once for each design (src/ui/boat/answers.ts).
 */
const MAY_CALL = {
  '': ['APPLIANCES', 'loadFrom', 'autonomyH', 'CRITERIA', 'COMES_FIRST'],
  ac: ['ASSUMED_PEDESTAL_OHM', 'ISOLATION_CAUTION', 'bondsRight', 'cordPct', 'earthRun', 'isolationSteps', 'settingsOf', 'wattsOf'],
  analysis: ['autonomyH', 'isLed', 'swapGrowth', 'withAnalysisDelta'],
  answer: [],
  bank: ['UNEVEN', 'bankMass', 'c20Ah', 'chemistryOf', 'coldFactor', 'sizeAll', 'takeOff', 'usualLink'],
  build: [
    'MARKED',
    'PALMS',
    'SHORT_MM',
    'STAGES',
    'aboardSteps',
    'benchSteps',
    'briefly',
    'endName',
    'fewerReels',
    'firstPlan',
    'groupsOf',
    'heldBack',
    'quotationOf',
  ],
  charging: [
    'SETTINGS',
    'alternatorAt',
    'arrayFigures',
    'chargerAcA',
    'chargingV',
    'cutInRpm',
    'fitLines',
    'labelCurve',
    'oldLeads',
    'pulleyRatio',
    'setpointV',
    'sheetLines',
    'smallLeadResults',
    'swapLines',
  ],
  check: [
    'AREAS',
    'auditOf',
    'byCause',
    'decided',
    'everyFinding',
    'foundOps',
    'missingOf',
    'placeIdOf',
    'seenFault',
    'settlingMost',
    'walkOf',
  ],
  circuit: ['CRITERIA', 'foundInsulationC', 'foundOhm', 'largestFaultA', 'selectivityText', 'smallestFaultA'],
  drawing: ['BELOW', 'INLINE_WIDTH', 'OVER', 'levelsOf', 'TAP_PITCH', 'TEXT', 'deadIn', 'foldAtFirst', 'fromElk', 'textWidth', 'toElk'],
  energy: ['MORE', 'MOST_TIMES', 'QUANTILES', 'cruiseOf', 'cruiseVerdict', 'dayAh', 'houseIndex', 'seasonResult', 'withMore'],
  mainSide: ['MOST_ON_A_STUD', 'withPaths'],
  commission: [
    'SKETCH_AT_FIRST',
    'SKETCH_KINDS',
    'sketchedPath',
    'STAGES',
    'SURE_FROM',
    'BANK_TROUBLES',
    'SYMPTOMS',
    'USUAL_CONDITIONS',
    'bandAt',
    'behind',
    'offersOf',
    'readSymptom',
    'stretchesOf',
    'testLimits',
    'verdictOf',
  ],
  keep: [
    'MEASURED_KINDS',
    'MEASURED_UNIT',
    'cardAsLearned',
    'clockOf',
    'learnedOf',
    'servicePlan',
    'thingName',
    'trendFindings',
    'trendsOf',
  ],
  report: ['recordedFindings'],
  order: ['KIND_OF', 'TASK_KINDS'],
  monitoring: ['METER_FAULTS', 'alarmsOf', 'bestOf', 'gaugeSheet', 'liveAnswer', 'proposeGauges', 'voltCard'],
  mounting: ['boardOf', 'fitCount', 'fitOn', 'mountedOf', 'placeFor', 'verdictOf'],
  placing: ['WORTH_MIN', 'bestFirst', 'moveOps'],
  network: ['after', 'atRest', 'busName'],
  propose: ['blankBatteryCable', 'blankSmallLead', 'leftOut', 'proposedList', 'proposedRows', 'rowsWithout'],
  protection: ['curveSamples'],
  scratch: [],
  solve: [],
  topology: ['bankOfLoads', 'endName', 'endsOf', 'leadStretchesOf', 'newRing', 'ringFrom', 'ringWords', 'runOf', 'stretchesOf', 'upFrom'],
  working: ['sizingLines'],
};

/** An ESLint rule: a screen imports of the core's folders only what it may call; types are free. */
export const coreFaces = {
  meta: { type: 'problem', schema: [], messages: { heavy: '{{name}} is not among what screens may call: ask the worker for it' } },
  create: (context) => ({
    ImportDeclaration(node) {
      const folder = /^@\/core(?:\/([a-zA-Z]+))?$/.exec(node.source.value);
      const may = folder && MAY_CALL[folder[1] ?? ''];
      if (!may || node.importKind === 'type') return;
      for (const s of node.specifiers) {
        const name = s.imported?.name ?? '*';
        if (s.importKind !== 'type' && !may.includes(name)) context.report({ node: s, messageId: 'heavy', data: { name } });
      }
    },
  }),
};
