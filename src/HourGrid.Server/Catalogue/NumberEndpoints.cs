using System.ComponentModel.DataAnnotations;
using HourGrid.Core.Searching;
using HourGrid.Server.Computing;
using HourGrid.Server.Requests;

namespace HourGrid.Server.Catalogue;

/// <summary>Registration numbers out of any text.</summary>
internal static class NumberEndpoints
{
    public static void MapNumbers(this IEndpointRouteBuilder api) =>
        api.MapPost("/terms/{term}/numbers", Read).InTurn().WithName("ReadNumbers");

    private static NumbersRecord Read(string term, Body<NumbersRequest> body, CurrentCatalogue catalogue)
    {
        var snapshot = catalogue.Get(term);
        var others = catalogue
            .Terms.Where(other => other.Id != snapshot.Term.Id)
            .Select(other => catalogue.Find(other.Id)!);
        var read = NumberList.Read(body.Value.Text, snapshot, [.. others]);
        var names = catalogue.Terms.ToDictionary(one => one.Id, one => one.Name);
        return (
            new NumbersRecord(
                [.. read.Sections.Select(Of)],
                [.. read.Cancelled.Select(Of)],
                [
                    .. read.OfOtherTerms.Select(one => new OtherTermNumberRecord(
                        one.Number.Value,
                        [.. one.Terms.Select(id => names[id])]
                    )),
                ],
                read.Unknown,
                [
                    .. read.Missing.Select(missing => new MissingRecord(
                        missing.Course.Course.Id.Value,
                        missing.Component,
                        [.. missing.Offers.Select(offer => SectionRecord.Of(offer, snapshot.Term))]
                    )),
                ]
            )
        );

        RecognisedRecord Of(RecognisedSection one) =>
            new(one.Offered.Course.Id.Value, one.Offered.Course.Title, SectionRecord.Of(one.Section, snapshot.Term));
    }
}

/// <param name="Text">Any text, 20,000 characters at most.</param>
internal sealed record NumbersRequest([property: MaxLength(20_000)] string Text);

/// <param name="Sections">Sections recognised, in the order of the text.</param>
/// <param name="Cancelled">Sections recognised that do not take place.</param>
/// <param name="OfOtherTerms">Numbers that only other terms have.</param>
/// <param name="Unknown">What looks like a registration number and is none.</param>
/// <param name="Missing">Components without which the courses cannot be taken.</param>
internal sealed record NumbersRecord(
    IReadOnlyList<RecognisedRecord> Sections,
    IReadOnlyList<RecognisedRecord> Cancelled,
    IReadOnlyList<OtherTermNumberRecord> OfOtherTerms,
    IReadOnlyList<string> Unknown,
    IReadOnlyList<MissingRecord> Missing
);

internal sealed record RecognisedRecord(string Course, string Title, SectionRecord Section);

internal sealed record OtherTermNumberRecord(string Number, IReadOnlyList<string> Terms);

/// <param name="Course">The course.</param>
/// <param name="Component">What it lacks.</param>
/// <param name="Offers">Sections that go with those recognised.</param>
internal sealed record MissingRecord(string Course, string Component, IReadOnlyList<SectionRecord> Offers);
