namespace HourGrid.Data.Catalogue;

/// <summary>The rows of a catalogue but its courses.</summary>
/// <param name="Catalogue">The catalogue itself.</param>
/// <param name="Subjects">Subjects, in order.</param>
/// <param name="Campuses">Campuses, in order.</param>
/// <param name="Travel">Travel times.</param>
/// <param name="Terms">Terms with their parts and days without class, in order.</param>
internal sealed record HeadRows(
    CatalogueRow Catalogue,
    IReadOnlyList<SubjectRow> Subjects,
    IReadOnlyList<CampusRow> Campuses,
    IReadOnlyList<TravelRow> Travel,
    IReadOnlyList<TermRow> Terms
)
{
    /// <summary>Reads them all.</summary>
    public static HeadRows Read(RowSource rows)
    {
        var terms = rows.All(
            $"SELECT Id, Position, Name, Start, \"End\", {rows.ColumnOr("Terms", "Season", "NULL")} FROM Terms ORDER BY Position",
            row => new TermRow
            {
                Id = row.Text(),
                Position = row.Whole(),
                Name = row.Text(),
                Start = row.Date(),
                End = row.Date(),
                Season = row.OptionalText(),
            }
        );
        AddParts(rows, terms.ToDictionary(term => term.Id));
        return new(
            rows.All(
                    $"SELECT Id, Institution, TimeZone, {rows.ColumnOr("Catalogue", "Seasons", "'[]'")} FROM Catalogue",
                    row => new CatalogueRow
                    {
                        Id = row.Whole(),
                        Institution = row.Text(),
                        TimeZone = row.Text(),
                        Seasons = row.Texts(),
                    }
                )
                .Single(),
            rows.All(
                "SELECT Code, Position, Name FROM Subjects ORDER BY Position",
                row => new SubjectRow
                {
                    Code = row.Text(),
                    Position = row.Whole(),
                    Name = row.Text(),
                }
            ),
            rows.All(
                "SELECT Id, Position, Name FROM Campuses ORDER BY Position",
                row => new CampusRow
                {
                    Id = row.Text(),
                    Position = row.Whole(),
                    Name = row.Text(),
                }
            ),
            rows.All(
                "SELECT FromCampusId, ToCampusId, Minutes FROM Travel ORDER BY FromCampusId, ToCampusId",
                row => new TravelRow
                {
                    FromCampusId = row.Text(),
                    ToCampusId = row.Text(),
                    Minutes = row.Whole(),
                }
            ),
            terms
        );
    }

    private static void AddParts(RowSource rows, Dictionary<string, TermRow> terms)
    {
        var parts = rows.All(
            "SELECT TermId, Id, Position, Name, Start, \"End\" FROM PartsOfTerm ORDER BY Position",
            row => new PartOfTermRow
            {
                TermId = row.Text(),
                Id = row.Text(),
                Position = row.Whole(),
                Name = row.Text(),
                Start = row.Date(),
                End = row.Date(),
            }
        );
        foreach (var part in parts)
            terms[part.TermId].Parts.Add(part);
        var noClass = rows.All(
            "SELECT TermId, Position, \"From\", \"To\", Name FROM NoClass ORDER BY Position",
            row => new NoClassRow
            {
                TermId = row.Text(),
                Position = row.Whole(),
                From = row.Date(),
                To = row.Date(),
                Name = row.Text(),
            }
        );
        foreach (var days in noClass)
            terms[days.TermId].NoClass.Add(days);
    }
}
