import type { TestProject } from 'vitest/node';
import { bundleWorkers } from './bundleWorkers';

/** The workers of the app, for tests in a document. */
export default async function setup(project: TestProject): Promise<void> {
  project.provide('workers', await bundleWorkers());
}
