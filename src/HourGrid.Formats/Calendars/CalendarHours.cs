using HourGrid.Core.Asking;

namespace HourGrid.Formats.Calendars;

/// <summary>What an event of a calendar would take out of the weeks of a term.</summary>
/// <param name="Label">What the event is called; may be empty.</param>
/// <param name="Blocks">Its hours as time blocks, bound to the weeks in which it takes place.</param>
/// <param name="IsWeekly">Whether it takes place in more than one week.</param>
/// <param name="IsAllDay">Whether it is of days and not of hours.</param>
public sealed record CalendarHours(string Label, IReadOnlyList<TimeBlock> Blocks, bool IsWeekly, bool IsAllDay);

/// <summary>An event that was passed over.</summary>
/// <param name="Label">What the event is called; may be empty.</param>
/// <param name="Why">Why, as a sentence.</param>
public sealed record PassedOver(string Label, string Why);

/// <summary>What was found in a calendar.</summary>
/// <param name="Found">Events with hours in the term, in the order of the file.</param>
/// <param name="PassedOver">Those that could not be taken. Events outside the term are not among them.</param>
public sealed record CalendarFindings(IReadOnlyList<CalendarHours> Found, IReadOnlyList<PassedOver> PassedOver);
