using HourGrid.Core.Catalogue;
using HourGrid.Formats.Json;
using HourGrid.Server.Requests;

namespace HourGrid.Server.Wording;

/// <summary>Everything for which an endpoint refuses a request, each with its status and sentence.</summary>
internal static class Refusals
{
    public static RefusedException NoSuchTerm(string term) => NotFound($"There is no term {term} in the catalogue.");

    public static RefusedException NoSuchCourse(string course, Term term) =>
        NotFound($"There is no course {course} in {term.Name}.");

    public static RefusedException NoSuchSketch() => NotFound("You have no such sketch.");

    public static RefusedException SignInNeeded() =>
        new(Problem(StatusCodes.Status403Forbidden, "For this you have to be signed in as a student."));

    public static RefusedException RegistrarSilent() =>
        new(
            Problem(
                StatusCodes.Status503ServiceUnavailable,
                "The registrar does not answer just now. Planning goes on; what needs the registrar comes back with it."
            )
        );

    public static RefusedException HoldNotCleared(string why) => NotPossible(why);

    public static RefusedException LinesNotTaken(string why) => NotPossible(why);

    public static RefusedException OtherPress() =>
        NotPossible("key: it belongs to other lines that were sent before.");

    public static RefusedException ManyNotices(int most) =>
        NotPossible($"You have {most} seat notices in this term, and no more are kept. Take one back first.");

    public static RefusedException NoSuchSection(string number, Term term) =>
        NotFound($"There is no section {number} in {term.Name}.");

    public static RefusedException NothingChosen() => NotPossible("picks.choice: nothing is chosen.");

    public static RefusedException PermissionNotTaken(string why) => NotPossible(why);

    public static RefusedException NoSignIn() =>
        NotFound("There is no campus to sign in at: this server is not told of one.");

    public static RefusedException NoSuchProgramme(string programme) =>
        NotFound($"You are in no programme {programme} that is known here.");

    public static RefusedException NoProgramme() => NotFound("None of your programmes is known here.");

    public static RefusedException NoSuchRequirement(string requirement) =>
        NotFound($"There is no requirement {requirement} in this programme.");

    public static RefusedException NoSuchCalendar() => NotFound("There is no calendar at this address (any more).");

    public static RefusedException SketchOfOtherTerm(string term) =>
        NotPossible($"ask.term: this sketch is of {term}.");

    public static RefusedException ManySketches(int most) =>
        NotPossible($"You have {most} sketches of this term, and no more are kept. Delete one first.");

    public static RefusedException NoRoom() =>
        NotPossible(
            "Your sketches take all the room there is for one student. Delete one of them, or timetables on a shortlist."
        );

    public static RefusedException NoTimetableOfAsk() => NotPossible("sections: they are no timetable of this ask.");

    public static RefusedException NoTimetable() => NotPossible("sections: they are no timetable (any more).");

    public static RefusedException NotOfTerm() => NotPossible("sections: none of them is of this term.");

    public static RefusedException NothingToExplain() =>
        NotPossible("There is a timetable; there is nothing to explain.");

    public static RefusedException OtherSite() =>
        new(Problem(StatusCodes.Status403Forbidden, "Changes are only taken from Hour Grid's own pages."));

    public static FormatProblemsException Field(string path, string found, string expected) =>
        new([new(path, found, expected)]);

    public static FormatProblemsException TimetableGone(int index) =>
        Field($"timetables[{index}]", "sections that are all gone", "sections of this term");

    public static RefusedException ContentType(string? found) =>
        new(Unsupported(found ?? "no content type", "application/json"));

    public static RefusedException Charset(string found) => new(Unsupported(found, "JSON in UTF-8"));

    public static RefusedException ManyRequests(TimeSpan wait) => Later("Too many requests came from here.", wait);

    public static RefusedException MuchToCompute(TimeSpan wait) => Later("There is much to compute just now.", wait);

    public static RefusedException ManyWaiting(int most, TimeSpan wait) =>
        Later($"You have {most} requests waiting already.", wait);

    /// <summary>A change to an older version of a sketch.</summary>
    /// <param name="newer">Brings the newer one.</param>
    public static RefusedException StaleSketch(ProblemDetails newer) =>
        Stale(newer, "The sketch was changed elsewhere.");

    /// <summary>The same of what is picked for a term.</summary>
    public static RefusedException StalePicks(ProblemDetails newer) =>
        Stale(newer, "The line-up or the choice was changed elsewhere.");

    /// <summary>The same of terms ahead.</summary>
    public static RefusedException StalePlan(ProblemDetails newer) =>
        Stale(newer, "What stands in terms ahead was changed elsewhere.");

    private static RefusedException Stale(ProblemDetails newer, string title)
    {
        newer.Status = StatusCodes.Status409Conflict;
        newer.Title = title;
        newer.Detail = "Nothing was saved. What there is now comes with this answer.";
        return new(newer);
    }

    private static RefusedException NotFound(string detail) => new(Problem(StatusCodes.Status404NotFound, detail));

    private static RefusedException NotPossible(string detail) =>
        new(Problem(StatusCodes.Status422UnprocessableEntity, detail));

    private static ProblemDetails Unsupported(string found, string expected) =>
        Problem(
            StatusCodes.Status415UnsupportedMediaType,
            $"The body is sent as {found}; expected {expected}.",
            "The request cannot be read."
        );

    private static RefusedException Later(string why, TimeSpan wait)
    {
        var seconds = Math.Max(1, (int)Math.Ceiling(wait.TotalSeconds));
        return new(
            Problem(
                StatusCodes.Status429TooManyRequests,
                $"{why} Try again in {(seconds == 1 ? "a second" : $"{seconds} seconds")}."
            )
        )
        {
            RetryAfter = TimeSpan.FromSeconds(seconds),
        };
    }

    private static ProblemDetails Problem(int status, string detail, string? title = null) =>
        new()
        {
            Status = status,
            Title = title,
            Detail = detail,
        };
}
