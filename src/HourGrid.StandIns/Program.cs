using HourGrid.StandIns.Campus;
using HourGrid.StandIns.Clerk;
using HourGrid.StandIns.Mail;
using HourGrid.StandIns.Registering;
using HourGrid.StandIns.Registrar;
using HourGrid.StandIns.SignIn;
using Microsoft.EntityFrameworkCore;

var builder = WebApplication.CreateBuilder(args);
var folder = builder.Configuration["DataFolder"] ?? Path.Combine(builder.Environment.ContentRootPath, "data");
Directory.CreateDirectory(folder);

builder.WebHost.ConfigureKestrel(kestrel => kestrel.AddServerHeader = false);
builder.Services.AddDbContextFactory<CampusContext>(options =>
    options.UseSqlite(CampusFile.ConnectionTo(folder)).UseOpenIddict()
);
builder.Services.AddSingleton(TimeProvider.System);
builder.Services.AddSingleton<CampusClock>();
builder.Services.AddSingleton<CampusNews>();
builder.Services.AddSingleton(CampusCatalogue.ReadFrom(Setting("Catalogue")));
builder.Services.AddSingleton<CampusWrites>();
builder.Services.AddSingleton<ClockMove>();
builder.Services.AddSingleton(
    new CrowdSettings { LinesPerSecond = builder.Configuration.GetValue("CrowdPace", CrowdSettings.Calm) }
);
builder.Services.AddSingleton<FaultSettings>();
builder.Services.AddSingleton<MailStore>();
builder.Services.AddSingleton<RegistrationTurns>();
builder.Services.AddHostedService(all => all.GetRequiredService<RegistrationTurns>());
builder.Services.AddHostedService<LetInWatch>();
builder.Services.AddHostedService<Crowd>();
builder.Services.AddHostedService<MailServer>();
builder.Services.AddSignIn(folder);
builder.Services.AddAuthorization();
builder.Services.AddAntiforgery();
builder.Services.AddRazorComponents();
builder.Services.AddProblemDetails();
builder.Services.AddOpenApi();

var app = builder.Build();
await using (var scope = app.Services.CreateAsyncScope())
{
    await CampusFile.PrepareAsync(
        scope.ServiceProvider.GetRequiredService<CampusContext>(),
        app.Services.GetRequiredService<CampusClock>(),
        Setting("Seed"),
        app.Services.GetRequiredService<CampusCatalogue>(),
        CancellationToken.None
    );
    await SignInSetup.RegisterClientAsync(scope.ServiceProvider, app.Configuration, CancellationToken.None);
}
app.UseExceptionHandler(
    new ExceptionHandlerOptions
    {
        // A form that is wrong is the sender's fault.
        StatusCodeSelector = problem =>
            problem is BadHttpRequestException bad ? bad.StatusCode : StatusCodes.Status500InternalServerError,
    }
);
app.UseStatusCodePages();
app.UseStaticFiles();
app.UseAuthentication();
app.UseAuthorization();
app.UseAntiforgery();
app.MapOpenApi("/openapi.json");
app.MapSignIn();
app.MapRegistrar();
app.MapPages();
await app.RunAsync();

string Setting(string name) =>
    builder.Configuration[name] ?? throw new InvalidOperationException($"The setting {name} is missing.");
