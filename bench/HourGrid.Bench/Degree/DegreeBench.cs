using HourGrid.Bench.Peers;
using HourGrid.Core.Eligibility;
using HourGrid.Core.Requirements;
using HourGrid.Core.Requirements.Ahead;
using HourGrid.Formats.Catalogue;
using HourGrid.Formats.Records;
using HourGrid.Formats.Requirements;

namespace HourGrid.Bench.Degree;

/// <summary>What requirements cost; times in milliseconds, medians, with CP-SAT by turns beside.</summary>
/// <param name="Audits">One for each made degree of 60 leaves and 60 courses: the audit, and CP-SAT's.</param>
/// <param name="AuditsAgree">Whether all say the same of what is short.</param>
/// <param name="OffersMs">What the sample world's term offers for every leaf of the sample programme, all together.</param>
/// <param name="OfferedLeaves">How many leaves those are.</param>
/// <param name="Plans">One for each made degree of some 40 courses over 8 terms: the least number of terms, and CP-SAT's.</param>
/// <param name="PlansAgree">Whether all say the same number; those that are bounds are held to be no more.</param>
/// <param name="BoundedPlans">How many of them are bounds.</param>
internal sealed record DegreeReport(
    IReadOnlyList<TimeBeside> Audits,
    bool AuditsAgree,
    double OffersMs,
    int OfferedLeaves,
    IReadOnlyList<TimeBeside> Plans,
    bool PlansAgree,
    int BoundedPlans
)
{
    public override string ToString() =>
        $"""
            audit of 60 courses and 60 leaves   {Said(Audits)}{(AuditsAgree ? "" : "; NOT as CP-SAT says")}
            offers for all {OfferedLeaves} leaves of the sample   {OffersMs:F0} ms
            least number of terms, 8 at most    {Said(Plans)}, {BoundedPlans} of {Plans.Count} bounds{(
                PlansAgree ? "" : "; NOT as CP-SAT says"
            )}
            """;

    private static string Said(IReadOnlyList<TimeBeside> times)
    {
        var ours = times.Select(time => time.Ms).Order().ToArray();
        var peers = times.Select(time => time.PeerMs).Order().ToArray();
        return $"median {ours[ours.Length / 2]:F0} ms, slowest {ours[^1]:F0} (CP-SAT {peers[peers.Length / 2]:F0}, {peers[^1]:F0})";
    }
}

/// <summary>Measures the audit, what a term offers, and terms ahead.</summary>
internal static class DegreeBench
{
    private const int Degrees = 10;

    public static DegreeReport Measure(string demo)
    {
        var audits = new List<TimeBeside>();
        var plans = new List<TimeBeside>();
        var (auditsAgree, plansAgree, bounded) = (true, true, 0);
        for (ulong seed = 1; seed <= Degrees; seed++)
        {
            var made = new MadeDegree(seed);
            var courses = new CourseBook(made.Courses);
            AuditAnswer? audit = null;
            long[]? solved = null;
            audits.Add(
                Timing.ByTurns(
                    () => audit = RequirementAudit.Of(made.Programme, made.Record, courses),
                    () => solved = AuditSolver.Solve(made.Programme, made.Record, courses)
                )
            );
            auditsAgree &=
                solved is null
                || solved.SequenceEqual([
                    audit!.ShortWithPlanned.Hundredths,
                    audit.ShortWithUnderWay.Hundredths,
                    audit.ShortCompleted.Hundredths,
                ]);
            var question = MadePlan.Make(seed);
            TermsAheadAnswer? ahead = null;
            int? terms = null;
            plans.Add(
                Timing.ByTurns(
                    () => ahead = TermsAhead.Of(question, []),
                    () => terms = TermsAheadSolver.Solve(question)
                )
            );
            bounded += ahead!.IsExact ? 0 : 1;
            plansAgree &= ahead.IsExact ? ahead.Terms == terms : ahead.Terms <= (terms ?? int.MaxValue);
        }
        var (offers, leaves) = Offers(demo);
        return new(audits, auditsAgree, offers, leaves, plans, plansAgree, bounded);
    }

    private static (double Ms, int Leaves) Offers(string demo)
    {
        byte[] Read(params string[] path) => File.ReadAllBytes(Path.Combine([demo, .. path]));
        var catalogue = CatalogueJson.Read(Read("saltmere.catalogue.json")).Value;
        var programme = ProgrammeJson.Read(Read("programmes", "coast.programme.json")).Value;
        var record = RecordJson.Read(Read("records", "wren-halloran.record.json")).Value;
        var term = catalogue.Terms[^1].Id;
        var courses = new CourseBook(catalogue.Courses);
        var question = new EligibilityQuestion(
            record,
            term,
            catalogue.Terms.ToDictionary(one => one.Id, one => one.Start)
        );
        // A student who opens one leaf after the other asks anew for each.
        var time = Timing.Median(() =>
        {
            foreach (var leaf in programme.Leaves)
            {
                RequirementAudit.Of(programme, record, courses);
                HelpingCourses.Of(programme, courses, question);
                foreach (var course in catalogue.Courses.Where(course => leaf.From.Admits(courses[course.Id])))
                    CourseEligibility.Of(question, course);
            }
        });
        return (time, programme.Leaves.Count);
    }
}
