import * as v from 'valibot';
import { type CheckDefinition, CheckDefinitionsSchema } from '@/model/checkDefinition';
import data from './check-definitions.json';

const library = v.parse(CheckDefinitionsSchema, data);

/** The library of checks that a unit type's checks are made from. */
export const checkDefinitions: readonly CheckDefinition[] = library.definitions;
