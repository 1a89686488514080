import { configure } from '@testing-library/dom'

// all that is built and tested at the same time runs on the same two cores
configure({ asyncUtilTimeout: 20_000 })
