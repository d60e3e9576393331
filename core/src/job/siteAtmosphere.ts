import type { JobDocument } from './document'
import { atmosphereAt_Pa } from '../methods/atmosphere/atmosphere'

/** The site's atmosphere, absolute Pa; sea level where the elevation is not known. */
export const siteAtmosphere_Pa = (document: JobDocument): number =>
  atmosphereAt_Pa(document.survey.elevation_m?.value ?? 0)
