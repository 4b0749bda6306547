/**
 * Every screen behind the lists and a lawn's front page, as one chunk fetched when the first of them
 * opens: what these screens share then stays out of the first load.
 */
import '@/i18n/deepWords';

export { CauseScreen } from './guide/CauseScreen';
export { GuideScreen } from './guide/GuideScreen';
export { PairScreen } from './guide/PairScreen';
export { LabelScreen } from './shelf/LabelScreen';
export { ShelfScreen } from './shelf/ShelfScreen';
export { TestScreen } from './guide/TestScreen';
export { PlantScreen } from './guide/PlantScreen';
export { PhotosScreen } from './photos/PhotosScreen';
export { ImportScreen } from './property/ImportScreen';
export { PropertyScreen } from './property/PropertyScreen';
export { ReadingsScreen } from './readings/ReadingsScreen';
export { RecordScreen } from './record/RecordScreen';
export { ReportScreen } from './report/ReportScreen';
export { VisitScreen } from './visit/VisitScreen';
export { ZoneScreen } from './visit/ZoneScreen';
export { LaboratoryResults } from './walk/LaboratoryResults';
export { DecideScreen } from './walk/DecideScreen';
export { WalkScreen } from './walk/WalkScreen';
export { PracticeScreen } from './practice/PracticeScreen';
export { DayCard } from './season/DayCard';
export { RiskCard } from './season/RiskCard';
export { StripReader } from './season/StripReader';
export { CompanySeasonScreen } from './season/CompanySeasonScreen';
export { LawnSeasonScreen } from './season/LawnSeasonScreen';
export { CalculatorScreen } from './calculators/CalculatorScreen';
export { FreeMixScreen } from './mix/FreeMixScreen';
export { MixScreen } from './mix/MixScreen';
export { StepMixScreen } from './mix/StepMixScreen';
export { KeyScreen } from './key/KeyScreen';
export { PlanScreen } from './plan/PlanScreen';

/** Not a screen, but only they need it; a chunk of its own would be shared and so come first. */
export { judgeRecord } from '@alfombra/core/judging';
