/** The project file: JSON, described in docs/project-format.md. */
package flailbeat.core.format.project;
