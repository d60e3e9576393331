import { z } from 'zod'

// The page's own policy forbids making code of text, which Zod would try to be faster. Imported
// before any schema is made.
z.config({ jitless: true })
