namespace HourGrid.Server.Requests;

/// <summary>A student keeps as much as may be kept.</summary>
internal sealed class NoRoomException()
    : Exception(
        "Your sketches take all the room there is for one student. Delete one of them, or timetables on a shortlist."
    );
