using HourGrid.StandIns.Campus;
using HourGrid.StandIns.Registering;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using static HourGrid.StandIns.Tests.Registrations;

namespace HourGrid.StandIns.Tests;

/// <summary>
/// Five hundred students press at once for twenty seats in each of five sections, two of which share one pool. What the
/// registrar's database says afterwards is looked at, not what it answered.
/// </summary>
public sealed class NeverOversoldTests : IClassFixture<RunningStandIns>
{
    private const int Rounds = 20;
    private const int Students = 500;
    private const int Seats = 20;
    private const string Pool = "a pool of this test";
    private static readonly string[] Studios = ["10264", "10265", "10266", "10267", "10268"];

    private readonly RunningStandIns campus;
    private readonly HttpClient registrar;

    public NeverOversoldTests(RunningStandIns campus)
    {
        this.campus = campus;
        registrar = campus.Registrar();
        campus.Services.GetRequiredService<CampusClock>().Ahead =
            new DateTime(2026, 12, 10, 12, 0, 0, DateTimeKind.Utc) - DateTime.UtcNow;
    }

    [Fact]
    public async Task Seats_given_are_seats_there_whoever_presses_when()
    {
        for (var round = 0; round < Rounds; round++)
        {
            await BeginAsync(round);
            var random = new Random(round);
            // Some hold a seat of another section already, and try to swap it; some press twice with one key.
            var holding = Enumerable.Range(0, 10).Select(CrowdStudents.Number).ToArray();
            foreach (var student in holding)
                await registrar.RegisterAsync(student, Line("GLZ 155", Studios[4]));
            var requests = Enumerable.Range(0, Students).Select(index => RequestOf(index, random)).ToArray();
            var twice = requests.Concat(requests.Where((_, index) => index % 10 == 0)).ToArray();
            random.Shuffle(twice);
            var answers = await Task.WhenAll(
                twice.Select(async request => (request, answer: await registrar.SendAsync("registrations", request)))
            );
            Assert.All(
                answers,
                one => Assert.Equal(one.request.Lines.Count, one.answer.Lines.Count(line => line is not null))
            );
            await CheckAsync(holding);
        }
    }

    private static RegistrationRequest RequestOf(int index, Random random)
    {
        var first = random.Next(Studios.Length);
        var second = (first + 1 + random.Next(Studios.Length - 1)) % Studios.Length;
        var ifFull = random.Next(3) switch
        {
            0 => LineRecord.Leave,
            1 => LineRecord.Wait,
            _ => LineRecord.WaitLast,
        };
        LineRecord[] lines =
            index < 10
                ? [new LineRecord("GLZ 155", [Studios[random.Next(4)]], GivingUp: [Studios[4]])]
                :
                [
                    new LineRecord(
                        "GLZ 155",
                        [Studios[first]],
                        ifFull,
                        [
                            [Studios[second]],
                        ]
                    ),
                    new LineRecord("GLZ 155", [Studios[second]]),
                    new LineRecord("TID 210", ["10214", "10231"], ifFull),
                ];
        return new(NewKey(), CrowdStudents.Number(index), Term, lines);
    }

    private Task<bool> BeginAsync(int round) =>
        campus.ChangeAsync(
            async (context, _) =>
            {
                await context.Registrations.ExecuteDeleteAsync();
                await context.Waiting.ExecuteDeleteAsync();
                foreach (var row in context.Sections.Where(row => row.Term == Term))
                {
                    row.Enrolled = row.Waitlisted = 0;
                    if (!Studios.Contains(row.Number))
                        continue;
                    row.Capacity = Seats;
                    row.WaitlistCapacity = round % 3 == 0 ? 0 : 5;
                    row.SeatsShared = row.Number is "10264" or "10265" ? Pool : null;
                }
                return true;
            }
        );

    private async Task CheckAsync(string[] holding)
    {
        await using var context = await campus
            .Services.GetRequiredService<IDbContextFactory<CampusContext>>()
            .CreateDbContextAsync();
        var held = await context.Registrations.Where(row => row.DroppedUtc == null).ToListAsync();
        var waiting = await context.Waiting.Where(row => row.EndedUtc == null).ToListAsync();
        var sections = await context.Sections.Where(row => row.Term == Term).ToListAsync();
        foreach (var section in sections)
        {
            Assert.Equal(held.Count(row => row.Number == section.Number), section.Enrolled);
            Assert.Equal(waiting.Count(row => row.WaitsOn.Contains(section.Number)), section.Waitlisted);
            Assert.InRange(section.Enrolled, 0, section.Capacity);
            Assert.InRange(section.Waitlisted, 0, section.WaitlistCapacity);
        }
        Assert.InRange(held.Count(row => row.Number is "10264" or "10265"), 0, Seats);
        // All seats went: there were far more who wanted them.
        Assert.Equal(4 * Seats, held.Count(row => Studios.Contains(row.Number)));
        Assert.DoesNotContain(
            held.GroupBy(row => (row.Student, row.Course)),
            one => one.Select(row => row.Confirmation).Distinct().Count() > 1
        );
        // Nobody who held a seat lost it, whether the swap was done or not.
        Assert.All(holding, student => Assert.Single(held, row => row.Student == student && row.Course == "GLZ 155"));
    }
}
