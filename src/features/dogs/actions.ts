'use server';

import { archiveDog as archive, saveCare as care, saveDog as save, seeCaution as see } from '@/data/commands/dogs';
import {
  addAvoid as avoid,
  addBowlLine as bowlLine,
  endAvoid as unavoid,
  addVetNote as vetNote,
  endBowlLine as unbowl,
  endVetNote as unnote,
  saveLitter as litter,
} from '@/data/commands/keeping';
import {
  keepSchool as school,
  setMeals as meals,
  setOtherwise as otherwise,
  setRation as ration,
  weighCup as cup,
} from '@/data/commands/rations';
import {
  answerProposal as answer,
  reportIntake as intake,
  saveWeighIn as weighIn,
  strikeWeighIn as strike,
} from '@/data/commands/weigh-ins';
import * as diary from '@/data/commands/diary';
import * as off from '@/data/commands/days-off';
import { houseAction } from '@/data/house-action';
import * as shapes from './schema';

export const saveDog = houseAction('save dog', shapes.saveDogSchema, save);
export const saveCare = houseAction('save care', shapes.saveCareSchema, care);
export const seeCaution = houseAction('see caution', shapes.seeCautionSchema, see);
export const archiveDog = houseAction('archive dog', shapes.archiveDogSchema, archive);
export const setRation = houseAction('set ration', shapes.setRationSchema, ration);
export const setMeals = houseAction('set meals', shapes.setMealsSchema, meals);
export const setOtherwise = houseAction('set otherwise', shapes.setOtherwiseSchema, otherwise);
export const keepSchool = houseAction('keep school', shapes.keepSchoolSchema, school);
export const weighCup = houseAction('weigh cup', shapes.weighCupSchema, cup);
export const saveWeighIn = houseAction('save weigh-in', shapes.saveWeighInSchema, weighIn);
export const strikeWeighIn = houseAction('strike weigh-in', shapes.strikeWeighInSchema, strike);
export const reportIntake = houseAction('report intake', shapes.reportIntakeSchema, intake);
export const answerProposal = houseAction('answer proposal', shapes.answerProposalSchema, answer);
export const addAvoid = houseAction('add avoid', shapes.addAvoidSchema, avoid);
export const endAvoid = houseAction('end avoid', shapes.endAvoidSchema, unavoid);
export const addBowlLine = houseAction('add bowl line', shapes.addBowlLineSchema, bowlLine);
export const endBowlLine = houseAction('end bowl line', shapes.endBowlLineSchema, unbowl);
export const addVetNote = houseAction('add vet note', shapes.addVetNoteSchema, vetNote);
export const endVetNote = houseAction('end vet note', shapes.endVetNoteSchema, unnote);
export const addDaysOff = houseAction('add days off', shapes.daysOffSchema, off.addDaysOff);
export const endDaysOff = houseAction('end days off', shapes.endDaysOffSchema, off.endDaysOff);
export const saveLitter = houseAction('save litter', shapes.saveLitterSchema, litter);
export const pressDiary = houseAction('press diary', shapes.diaryPressSchema, diary.pressDiary);
export const pressAsUsual = houseAction('press as usual', shapes.asUsualSchema, diary.pressAsUsual);
export const writeDiary = houseAction('write diary', shapes.writeDiarySchema, diary.writeDiary);
export const takeBackWords = houseAction('take back words', shapes.backWordsSchema, diary.takeBackWords);
