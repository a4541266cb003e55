export { BANK_TROUBLES, type BankFaultKind, bankScene, type BankScene, type BankTrouble } from './faults';
export { type BankAsked, type BankDiagnosis, type BankReading, type BankSuspect, diagnoseBank } from './bankDiagnose';
export { bankByProgram, hideInBank, type HiddenBankFault } from './hiddenBankFault';
