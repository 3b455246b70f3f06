/** A test waits for a state, however busy the machine is: the second that is usual is no such thing where two cores do everything at once. */
import { configure } from '@testing-library/react';

configure({ asyncUtilTimeout: 20_000 });
