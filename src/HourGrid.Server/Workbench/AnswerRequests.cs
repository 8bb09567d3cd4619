using System.ComponentModel.DataAnnotations;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.PutBy;

namespace HourGrid.Server.Workbench;

/// <param name="Ask">What is asked.</param>
internal sealed record AnswerRequest(Ask Ask);

/// <param name="Ask">What is asked.</param>
/// <param name="First">The place of the first one, from 0.</param>
/// <param name="Count">How many, 1 to 100.</param>
internal sealed record PageRequest(
    Ask Ask,
    [property: Range(0, AnsweredAsk.MostListed)] int First,
    [property: Range(1, AnswerEndpoints.LargestPage)] int Count
);

/// <param name="Ask">What is asked.</param>
/// <param name="Count">How many, 1 to 100.</param>
internal sealed record SpreadRequest(Ask Ask, [property: Range(1, AnswerEndpoints.LargestPage)] int Count);

/// <param name="Ask">What is asked.</param>
/// <param name="Sections">The registration numbers of a timetable.</param>
internal sealed record SectionsRequest(
    Ask Ask,
    [property: MaxLength(PutByTimetable.MostSections)] IReadOnlySet<RegistrationNumber> Sections
);
