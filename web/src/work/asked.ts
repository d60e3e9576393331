import type {
  CyclePlan,
  CycleTrace,
  DrawOffModel,
  DrawOffResult,
  JobDocument,
  Leaning,
  LeaningSheet,
  PracticeChange,
  PracticeName,
} from '@hestian/core'
import type { Solved, ToSolve } from './handed'

/** What the worker is asked, and what it answers. */
export type Asked =
  | { readonly kind: 'solve'; readonly job: ToSolve }
  | { readonly kind: 'change'; readonly document: JobDocument; readonly to: PracticeName }
  | {
      readonly kind: 'leans'
      readonly document: JobDocument
      readonly sheets: readonly LeaningSheet[]
    }
  | { readonly kind: 'draws'; readonly models: readonly DrawOffModel[] }
  | { readonly kind: 'cycle'; readonly plan: CyclePlan }

export type Answered =
  | { readonly kind: 'solved'; readonly job: Solved }
  | { readonly kind: 'change'; readonly change: PracticeChange }
  | { readonly kind: 'leans'; readonly leanings: readonly Leaning[] }
  | { readonly kind: 'draws'; readonly results: readonly DrawOffResult[] }
  | { readonly kind: 'cycle'; readonly trace: CycleTrace }
  | { readonly kind: 'progress'; readonly share: number }
