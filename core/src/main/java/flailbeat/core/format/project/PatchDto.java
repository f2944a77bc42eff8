package flailbeat.core.format.project;

import com.fasterxml.jackson.annotation.JsonInclude;
import flailbeat.core.format.project.ProjectDto.ClipDto;
import flailbeat.core.format.project.ProjectDto.TrackDto;
import java.util.List;

/**
 * What makes one song of another, as it is written.
 *
 * @param head what stands beside the tracks; null where that is as it was
 * @param tracks all tracks in order; null where each is as it was
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
record PatchDto(String title, long nextId, ProjectDto head, List<TrackPatch> tracks) {
  /**
   * A track.
   *
   * @param track what is set for it, without clips; null where all of it is as it was
   * @param clips all its clips in order; null where each is as it was
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  record TrackPatch(long id, TrackDto track, List<ClipPatch> clips) {}

  /**
   * A clip.
   *
   * @param clip where it lies and its traits, with nothing in it; null where all of it is as it was
   * @param content what is in it; null where it shares that of a clip before it
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  record ClipPatch(long id, ClipDto clip, ContentPatch content, List<TakePatch> takes) {}

  /**
   * What is in a clip: what was in the clip of that id before, without some and with others.
   *
   * @param gone ids of notes and control points, in rising order
   * @param notes rows as in a project
   * @param controls rows as in a project
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  record ContentPatch(List<Long> gone, List<long[]> notes, List<long[]> controls) {}

  /**
   * A take that is not heard.
   *
   * @param content what is in it; null where it is as it was
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  record TakePatch(int number, ContentPatch content) {}
}
