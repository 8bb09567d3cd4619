using HourGrid.Data;
using HourGrid.Server.Catalogue;
using HourGrid.Server.Computing;
using HourGrid.Server.Hosting;
using HourGrid.Server.LineUp;
using HourGrid.Server.Mail;
using HourGrid.Server.News;
using HourGrid.Server.Records;
using HourGrid.Server.Registrar;
using HourGrid.Server.Registration;
using HourGrid.Server.Requests;
using HourGrid.Server.Requirements;
using HourGrid.Server.SignIn;
using HourGrid.Server.Steps;
using HourGrid.Server.Students;
using HourGrid.Server.Timetables;
using HourGrid.Server.Workbench;

var builder = WebApplication.CreateBuilder(args);

builder.AddDataFolder();
builder.AddHosting();
builder.Services.AddProblems();
builder.Services.AddStudents();
builder.Services.AddSignIn(builder.Configuration);
builder.Services.AddSingleton(TimeProvider.System);
builder.Services.AddRecords(builder.Configuration);
builder.Services.AddSingleton(new FairQueue(FairQueue.WorkersHere));
builder.Services.AddSingleton<AnswerService>();
builder.Services.AddSingleton<PutByService>();
builder.Services.AddSingleton<WarmUp>();
builder.Services.AddSingleton<CalendarLimits>();
builder.Services.AddSingleton<WriteTurns>();
builder.Services.AddScoped<StudentQueue>();
builder.Services.AddScoped<SketchRows>();
builder.Services.AddSingleton<StepSizes>();
builder.Services.AddScoped<StepQuota>();
builder.Services.AddScoped<SketchStore>();
builder.Services.AddScoped<SketchService>();
builder.Services.AddScoped<SketchAnswers>();
builder.Services.AddScoped<PicksService>();
builder.Services.AddSingleton<KnownProgrammes>();
builder.Services.AddScoped<RequirementService>();
builder.Services.AddScoped<PlanService>();
builder.Services.AddSingleton<PageNews>();
builder.Services.AddSingleton<IRegistrarListener, SeatListener>();
builder.Services.AddRegistration(builder.Configuration);
if (!DataFolder.IsDescribingOnly)
{
    builder.Services.AddHostedService<CatalogueWatch>();
    if (builder.Configuration["Registrar:Address"] is { Length: > 0 })
    {
        builder.Services.AddHostedService<RegistrarFeed>();
        builder.Services.AddHostedService(all => all.GetRequiredService<PressSender>());
    }
    if (builder.Configuration["Mail:Host"] is { Length: > 0 })
        builder.Services.AddHostedService<MailSender>();
}

var app = builder.Build();

app.UseHosting();
app.UseStudents();

var api = app.MapGroup("/api").AddEndpointFilter<SameOriginOnly>();
api.MapStudents();
api.MapSignIn();
api.MapRecords();
api.MapPermissions();
api.MapRegistration();
api.MapTerms();
api.MapCourses();
api.MapSearch();
api.MapFits();
api.MapNumbers();
api.MapNews();
api.MapSketches();
api.MapPicks();
api.MapRequirements();
api.MapPlan();
api.MapExports();
api.MapCalendarAddresses();
api.MapCalendarHours();
api.MapAnswers();
api.MapPutBy();
app.MapCalendars();
app.MapClient();

if (!DataFolder.IsDescribingOnly)
{
    WarmUp.CompileEngine();
    await app.PrepareDataAsync();
    app.Services.GetRequiredService<WarmUp>().Run();
    _ = WarmUp.CompileQueriesAsync(app.Services);
}

await app.RunAsync();
