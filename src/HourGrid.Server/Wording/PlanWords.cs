using HourGrid.Core.Requirements.Ahead;

namespace HourGrid.Server.Wording;

/// <summary>What stands against a plan, when the programme is done, and what waiting costs.</summary>
internal static class PlanWords
{
    public const string RequirementGone = "The programme does not have it any more.";

    public static string Of(PlanFinding finding, IReadOnlyList<AheadTerm> terms) =>
        finding switch
        {
            PlanFinding.Before before => $"Before it comes {EligibilityWords.Ways(before.Missing)}.",
            PlanFinding.Beside beside =>
                $"Beside it or before comes {Saying.List([.. beside.Missing.Select(course => course.Value)])}.",
            PlanFinding.NotOffered => "Not offered this term.",
            PlanFinding.NotUsuallyOffered { Usually.Count: 0 } => "Usually not offered.",
            PlanFinding.NotUsuallyOffered not => $"Usually {Saying.List(not.Usually, "or")}.",
            PlanFinding.CountsAlready => "It counts already.",
            PlanFinding.Twice twice => $"It stands in {NameOf(twice.Term.Value, terms)}, too.",
            PlanFinding.OverMaximum over => $"Over the {over.Maximum} credits of a term.",
            PlanFinding.Unknown => "The catalogue does not have it.",
            _ => throw new ArgumentOutOfRangeException(nameof(finding)),
        };

    /// <summary>As in <c>Done at the earliest in Spring 2028.</c></summary>
    public static string End(TermsAheadAnswer answer, IReadOnlyList<AheadTerm> terms)
    {
        if (answer.Terms is not { } count)
            return Saying.Invariant($"It cannot be done within {TermsAheadQuestion.UsualTerms} terms.");
        if (count == 0)
            return "Nothing is missing.";
        var when = count <= terms.Count ? terms[count - 1].Name : Saying.Invariant($"term {count} from now");
        // Without a plan it is only known that it takes no less.
        return answer.Plan is null ? $"Done in {when} or later." : $"Done at the earliest in {when}.";
    }

    /// <summary>As in <c>Leaving TID 330 for later costs a term: TID 410 needs it and is offered in spring alone.</c></summary>
    public static string Waiting(CostOfWaiting cost, WaitingReason reason)
    {
        var more =
            cost.Later is not { } later ? $"takes more than {TermsAheadQuestion.UsualTerms} terms in all"
            : later - cost.Now!.Value is var terms && terms == 1 ? "costs a term"
            : Saying.Invariant($"costs {terms} terms");
        var why = (reason.NeededBy, reason.OfferedIn) switch
        {
            ({ } by, { Count: > 0 } seasons) => $": {by} needs it and is offered in {Saying.List(seasons)} alone",
            ({ } by, _) => $": {by} needs it",
            (null, { Count: > 0 } seasons) => $": it is offered in {Saying.List(seasons)} alone",
            _ => "",
        };
        return cost.IsExact
            ? $"Leaving {cost.Course} for later {more}{why}."
            : $"Leaving {cost.Course} for later may cost terms{why}; there was no time to be sure.";
    }

    private static string NameOf(string term, IReadOnlyList<AheadTerm> terms) =>
        terms.FirstOrDefault(one => one.Id.Value == term)?.Name ?? term;
}
