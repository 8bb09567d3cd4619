using HourGrid.Core.Catalogue;
using HourGrid.StandIns.Campus;

namespace HourGrid.StandIns.Registering;

/// <summary>Does what a request asks for, in the books of its term.</summary>
/// <param name="books">The books of its term.</param>
/// <param name="catalogue">What is offered.</param>
/// <param name="isCheck">
/// Whether it is only looked at: then what stands against the student alone, such as the time, does not keep one from seeing
/// what would come of each line afterwards.
/// </param>
internal sealed class RequestRun(TermBooks books, CampusCatalogue catalogue, bool isCheck = false)
{
    private const string Swapped = "Swapped.";

    private readonly LineFindings findings = new(books, catalogue);
    private readonly LetIn letIn = new(books, catalogue);

    /// <summary>All sections of requests, to be read ahead.</summary>
    public static IEnumerable<string> SectionsOf(RegistrationRequest request) =>
        request.Lines.SelectMany(line => line.Sections.Concat(line.Others.SelectMany(one => one)).Concat(line.Given));

    /// <summary>Does the lines in their order; each is whole or not at all.</summary>
    public RegistrationAnswer Do(RegistrationRequest request)
    {
        var file = books.Student(request.Student)!;
        var results = new LineResult[request.Lines.Count];
        foreach (var step in StepsIn(request.Lines))
        {
            if (step.Length == 1)
                results[step[0]] = DoLine(request.Student, file, request.Lines[step[0]]);
            else
                DoTogether(request, file, step, results);
        }
        if (isCheck)
            for (var at = 0; at < results.Length; at++)
                results[at] = AsFarAsMayBe(results[at], GeneralOf(file, request.Lines[at].Sections.Count > 0));
        foreach (var result in results)
            books.Log.Registration(request.Student, books.Term, result.Outcome, "", result.Sections);
        return new(books.NowUtc, results, [.. findings.OfHolding(file)]);
    }

    /// <summary>
    /// The lines in the order of their steps. A line comes after those whose course goes with its own; where two need each
    /// other they are one step.
    /// </summary>
    private List<int[]> StepsIn(IReadOnlyList<LineRecord> lines)
    {
        var groups = Enumerable
            .Range(0, lines.Count)
            .GroupBy(line => lines[line].Group is { } group ? $"group {group}" : $"line {line}")
            .Select(group => group.ToArray())
            .ToList();
        var steps = new List<int[]>();
        while (groups.Count > 0)
        {
            var next = groups.FirstOrDefault(group =>
                !groups.Exists(other => other != group && Needs(lines, group, other))
            );
            if (next is not null)
            {
                steps.Add(next);
                groups.Remove(next);
                continue;
            }
            var circle = new List<int[]> { groups[0] };
            while (
                groups.Find(other => !circle.Contains(other) && circle.Exists(one => Needs(lines, one, other)))
                    is { } more
            )
                circle.Add(more);
            steps.Add([.. circle.SelectMany(group => group).Order()]);
            groups.RemoveAll(circle.Contains);
        }
        return steps;
    }

    private bool Needs(IReadOnlyList<LineRecord> lines, int[] one, int[] other) =>
        one.Any(line =>
            lines[line].Sections.Count > 0
            && books.Snapshot.Find(new CourseId(lines[line].Course)) is { } offered
            && offered.Course.Corequisites.Any(needed =>
                other.Any(beside => lines[beside].Sections.Count > 0 && lines[beside].Course == needed.Value)
            )
        );

    private LineResult DoLine(string student, StudentFile file, LineRecord line)
    {
        if (line.Leaving is { } place)
            return Leave(student, place);
        if (line.Sections.Count == 0)
            return Drop(student, file, line);
        var hasOthers = line.Others.Count > 0;
        var waitsAtOnce = line.IfFull == LineRecord.Wait || (line.IfFull == LineRecord.WaitLast && !hasOthers);
        var (done, first) = Attempt(0, waitsAtOnce);
        if (done is not null)
            return done;
        if (first.All(FindingWords.IsWantOfSeats))
        {
            for (var index = 1; index <= line.Others.Count; index++)
                if (Attempt(index, line.IfFull == LineRecord.Wait).Done is { } other)
                    return other;
            if (line.IfFull == LineRecord.WaitLast && hasOthers)
            {
                (done, first) = Attempt(0, mayWait: true);
                if (done is not null)
                    return done;
            }
        }
        var scarce = findings.Scarce(StepOf(0), StepOf(0).Takes[0]);
        return LineResult.RefusedFor([
            .. first,
            .. scarce.Where(one => !first.Any(full => full.Kind == FindingWords.Full && full.Section == one.Section)),
        ]);

        // The sections of the line itself, and behind them the others in their order.
        Step StepOf(int index)
        {
            var numbers = index == 0 ? line.Sections : line.Others[index - 1];
            var course = index == 0 ? line.Course : CourseOf(numbers) ?? line.Course;
            return Step.Of(books, student, file, [(course, numbers)], line.Given);
        }

        (LineResult? Done, Finding[] Against) Attempt(int index, bool mayWait)
        {
            var step = StepOf(index);
            var take = step.Takes[0];
            var against = Against(step, take, isCheck ? [] : GeneralOf(file, takes: true));
            var full = Full(step, take);
            if (against.Length == 0 && full.Length == 0)
            {
                Finding[] scarce = [.. findings.Scarce(step, take)];
                var bundle = step.Do(books, Swapped)[0];
                LetInAfter(step);
                return (
                    new(LineResult.Registered, Took(index), take.Numbers, bundle.Confirmation, null, null, scarce),
                    []
                );
            }
            var inLine = mayWait ? AgainstWaiting(step, full) : [];
            if (against.Length > 0 || !mayWait || inLine.Length > 0)
                return (null, [.. against, .. full.Select(FullFinding), .. inLine]);
            return (Wait(step, line, full) with { Took = Took(index) }, []);
        }
    }

    /// <summary>Several lines as one step: all of them are done, or none.</summary>
    private void DoTogether(RegistrationRequest request, StudentFile file, int[] lines, LineResult[] results)
    {
        var all = lines.Select(line => (Index: line, Line: request.Lines[line])).ToArray();
        var takes = all.Where(one => one.Line.Sections.Count > 0).ToArray();
        var step = Step.Of(
            books,
            request.Student,
            file,
            takes.Select(one => (one.Line.Course, one.Line.Sections)),
            all.SelectMany(one => one.Line.Given)
        );
        Finding[] general =
        [
            .. isCheck ? [] : GeneralOf(file, takes.Length > 0),
            // Lines that only drop say so themselves; those that take say it with all else.
            .. takes.Length == 0 ? step.NotHeld.Select(FindingWords.NotHeld) : [],
        ];
        var against = takes
            .Zip(
                step.Takes,
                (one, take) =>
                    (
                        one.Index,
                        one.Line.Course,
                        Findings: (Finding[])
                            [.. Against(step, take, general), .. Full(step, take).Select(FullFinding)]
                    )
            )
            .ToArray();
        var refused = Array.Find(against, one => one.Findings.Length > 0);
        if (refused.Findings is not null || general.Length > 0)
        {
            foreach (var (index, line) in all)
            {
                var own = Array.Find(against, one => one.Index == index).Findings ?? general;
                results[index] = LineResult.RefusedFor(
                    own.Length > 0 ? own : [FindingWords.Together(refused.Course ?? line.Course)]
                );
            }
            return;
        }
        Finding[][] scarce = [.. step.Takes.Select(take => findings.Scarce(step, take).ToArray())];
        var bundles = step.Do(books, Swapped);
        LetInAfter(step);
        foreach (var (at, one) in takes.Index())
            results[one.Index] = new(
                LineResult.Registered,
                Took(0),
                one.Line.Sections,
                bundles[at].Confirmation,
                null,
                null,
                scarce[at]
            );
        foreach (var one in all.Where(one => one.Line.Sections.Count == 0))
            results[one.Index] = new(LineResult.Dropped, null, one.Line.Given, null, null, null, []);
    }

    private LineResult Drop(string student, StudentFile file, LineRecord line)
    {
        var step = Step.Of(books, student, file, [], line.Given);
        Finding[] against =
        [
            .. isCheck ? [] : GeneralOf(file, takes: false),
            .. step.NotHeld.Select(FindingWords.NotHeld),
            .. step.GivesUp.Count == 0 && step.NotHeld.Count == 0
                ? [FindingWords.NotHeld(line.Course)]
                : Array.Empty<Finding>(),
        ];
        if (against.Length > 0)
            return LineResult.RefusedFor(against);
        step.Do(books, "Dropped.");
        LetInAfter(step);
        return new(
            LineResult.Dropped,
            null,
            [.. step.GivesUp.SelectMany(bundle => bundle.Numbers)],
            null,
            null,
            null,
            [.. findings.OfHolding(file)]
        );
    }

    private LineResult Leave(string student, int place)
    {
        if (books.WaitingOf(student).FirstOrDefault(row => row.Id == place) is not { } row)
            return LineResult.RefusedFor([FindingWords.NotInLine()]);
        books.EndWaiting(row, WaitingEnds.Left, "You left the line.");
        return new(LineResult.Left, null, row.Sections, null, null, null, []);
    }

    private Finding[] GeneralOf(StudentFile file, bool takes) =>
        [.. takes ? findings.OfStudent(file) : findings.OfDropping(file)];

    private static LineResult AsFarAsMayBe(LineResult result, Finding[] general) =>
        result with
        {
            WouldBe = result.Outcome,
            Outcome = general.Length > 0 ? LineResult.Refused : result.Outcome,
            Confirmation = null,
            Findings = [.. general, .. result.Findings],
        };

    /// <summary>What stands against waiting for sections that are full.</summary>
    private Finding[] AgainstWaiting(Step step, SectionRow[] full) =>
        books.WaitingOf(step.Student).Any(row => row.Sections.ToHashSet().SetEquals(step.Takes[0].Numbers))
            ? [FindingWords.AlreadyWaiting()]
            :
            [
                .. full.Where(section => section.Waitlisted >= section.WaitlistCapacity)
                    .Select(FindingWords.FullWaitlist),
            ];

    private LineResult Wait(Step step, LineRecord line, SectionRow[] full)
    {
        var take = step.Takes[0];
        var row = books.Wait(
            step.Student,
            take.Course.Value,
            take.Numbers,
            [.. full.Select(section => section.Number)],
            line.Given
        );
        var place = WaitingPlace.Find(books, row);
        return new(LineResult.Waiting, null, take.Numbers, null, place.Place, place.Of, []);
    }

    private Finding[] Against(Step step, Taking take, Finding[] general) =>
        [.. general, .. findings.OfTaking(step, take), .. findings.OfLoad(step)];

    /// <summary>Sections without a seat for it: full, or with a line out of which the instructor lets in.</summary>
    private SectionRow[] Full(Step step, Taking take) =>
        [
            .. step.Full(books, take)
                .Union(
                    take.Numbers.Select(books.Section)
                        .OfType<SectionRow>()
                        .Where(section => section.IsLetInByInstructor && step.SeatsOf(section) > 0)
                        .Where(section => books.Waiting.Any(row => row.WaitsOn.Contains(section.Number)))
                ),
        ];

    private Finding FullFinding(SectionRow section) =>
        FindingWords.FullSection(section, isKeptForLine: books.FreeSeats(section) > 0);

    private string? CourseOf(IReadOnlyList<string> numbers) =>
        numbers.Count == 0 ? null : books.Snapshot.CourseOf(new RegistrationNumber(numbers[0]))?.Course.Id.Value;

    private void LetInAfter(Step step)
    {
        if (step.GivesUp.Count > 0)
            letIn.After(step.GivesUp.SelectMany(bundle => bundle.Numbers));
    }

    private static string Took(int index) => index == 0 ? "sections" : $"instead[{index - 1}]";
}
