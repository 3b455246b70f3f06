/** A project at the desk. */
import { OpenProject } from './OpenProject.tsx';
import { ProjectPage } from './ProjectPage.tsx';

export const Component = () => (
  <OpenProject>
    <ProjectPage />
  </OpenProject>
);
