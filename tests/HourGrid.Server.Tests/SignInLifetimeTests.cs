using System.Globalization;
using HourGrid.Data;
using HourGrid.Server.SignIn;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Options;

namespace HourGrid.Server.Tests;

/// <summary>How long a sign-in lasts, by a clock that a test sets.</summary>
public sealed class SignInLifetimeTests : IDisposable
{
    private readonly SetClock clock = new(new(2026, 11, 30, 8, 0, 0, TimeSpan.Zero));
    private readonly RunningServer server;

    public SignInLifetimeTests() => server = RunningServer.At(clock);

    public void Dispose() => server.Dispose();

    [Fact]
    public async Task It_lasts_eight_hours_after_the_last_request()
    {
        using var browser = await SignedInAsync();
        Assert.Equal("Mika Lund", await NameAsync(browser));
        clock.Now += TimeSpan.FromHours(7.9);
        Assert.Equal("Mika Lund", await NameAsync(browser));
        clock.Now += TimeSpan.FromHours(4);
        Assert.Equal("Mika Lund", await NameAsync(browser));

        using var another = await SignedInAsync();
        clock.Now += TimeSpan.FromHours(8.1);
        Assert.Null(await NameAsync(another));
    }

    [Fact]
    public async Task It_lasts_twelve_hours_at_most_however_much_is_asked()
    {
        using var browser = await SignedInAsync();
        for (var hour = 1; hour < 12; hour++)
        {
            clock.Now += TimeSpan.FromHours(1);
            Assert.Equal("Mika Lund", await NameAsync(browser));
        }
        clock.Now += TimeSpan.FromHours(1.1);
        Assert.Null(await NameAsync(browser));
    }

    [Fact]
    public async Task Who_is_not_signed_in_stays_who_they_are()
    {
        using var browser = await server.StudentAsync();
        var sketch = await browser.OpenSketchAsync();
        clock.Now += TimeSpan.FromDays(100);
        Assert.Equal(sketch["id"]!.GetValue<string>(), (await browser.OpenSketchAsync())["id"]!.GetValue<string>());
    }

    /// <summary>A browser with the cookie that it has after a sign-in.</summary>
    private async Task<HttpClient> SignedInAsync()
    {
        using var visitor = await server.StudentAsync();
        await using var database = DatabaseFile.Open(DatabaseFile.In(server.DataFolder));
        var student = (await database.Students.OrderByDescending(row => row.CreatedUtc).FirstAsync()).Id;
        var cookies = server
            .Services.GetRequiredService<IOptionsMonitor<CookieAuthenticationOptions>>()
            .Get(CookieAuthenticationDefaults.AuthenticationScheme);
        var lasts = new AuthenticationProperties
        {
            IssuedUtc = clock.Now,
            ExpiresUtc = clock.Now + SignInSetup.AfterLastRequest,
            Items = { [SignInSetup.Began] = clock.Now.ToString("O", CultureInfo.InvariantCulture) },
        };
        var ticket = new AuthenticationTicket(
            PersonClaims.PrincipalOf(student, "S1022", "Mika Lund", "student"),
            lasts,
            CookieAuthenticationDefaults.AuthenticationScheme
        );
        return server.BrowserWith(cookies.Cookie.Name!, cookies.TicketDataFormat.Protect(ticket));
    }

    private static async Task<string?> NameAsync(HttpClient browser) =>
        (await browser.GetAsync("/api/me").JsonAsync())["person"]?["name"]!.GetValue<string>();

    private sealed class SetClock(DateTimeOffset now) : TimeProvider
    {
        public DateTimeOffset Now { get; set; } = now;

        public override DateTimeOffset GetUtcNow() => Now;
    }
}
