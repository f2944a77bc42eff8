/** What a track sounds with, and how loud, where and how bright. */
package flailbeat.core.model.sound;
