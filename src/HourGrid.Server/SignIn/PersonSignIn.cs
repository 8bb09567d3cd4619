using System.Globalization;
using System.Security.Claims;
using HourGrid.Data;
using HourGrid.Data.People;
using HourGrid.Data.Sketches;
using HourGrid.Server.Students;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Authentication.OpenIdConnect;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Server.SignIn;

/// <summary>Takes over what the campus says of who signed in: from then on this browser is that person's.</summary>
internal sealed class PersonSignIn(
    HourGridContext database,
    Adoption adoption,
    KnownStudents known,
    WriteTurns writes,
    TimeProvider clock
)
{
    public async Task TakeAsync(TokenValidatedContext context)
    {
        var cancellation = context.HttpContext.RequestAborted;
        var campus = context.Principal!;
        var now = clock.GetUtcNow();
        var person = new PersonRow
        {
            Number = campus.FindFirstValue("sub")!,
            Name = campus.FindFirstValue("name") ?? campus.FindFirstValue("sub")!,
            Role = campus.FindFirstValue("role") ?? "student",
            Mail = campus.FindFirstValue("email") ?? "",
            SignedInUtc = now.UtcDateTime,
        };
        var browser = await context.HttpContext.AuthenticateAsync(CookieAuthenticationDefaults.AuthenticationScheme);
        var student = await StudentOfAsync(
            person,
            browser.Principal is { } principal ? CurrentStudent.IdOf(principal) : null,
            cancellation
        );
        known.Remember(student);
        context.Principal = PersonClaims.PrincipalOf(student, person.Number, person.Name, person.Role);
        context.Properties!.IsPersistent = false;
        context.Properties.IssuedUtc = now;
        context.Properties.ExpiresUtc = now + SignInSetup.AfterLastRequest;
        context.Properties.Items[SignInSetup.Began] = now.ToString("O", CultureInfo.InvariantCulture);
    }

    /// <summary>Whose sketches are the person's: those of this browser at the first time, which later ones join.</summary>
    private async Task<Guid> StudentOfAsync(PersonRow person, Guid? browser, CancellationToken cancellation)
    {
        await using var transaction = await writes.BeginAsync(database, cancellation);
        // What another person made is not taken along, whose sign-in this browser still has.
        var own =
            browser is { } id && !await database.People.AnyAsync(row => row.StudentId == id, cancellation)
                ? browser
                : null;
        var row = await database.People.SingleOrDefaultAsync(one => one.Number == person.Number, cancellation);
        if (row is null)
        {
            person.StudentId = own ?? NewStudent();
            database.People.Add(row = person);
        }
        else
        {
            (row.Name, row.Role, row.Mail, row.SignedInUtc) = (
                person.Name,
                person.Role,
                person.Mail,
                person.SignedInUtc
            );
            if (own is { } made)
                await adoption.AdoptAsync(made, row.StudentId, cancellation);
        }
        await database.SaveChangesAsync(cancellation);
        await transaction.CommitAsync(cancellation);
        return row.StudentId;
    }

    private Guid NewStudent()
    {
        var student = new StudentRow { Id = Guid.NewGuid(), CreatedUtc = clock.GetUtcNow().UtcDateTime };
        database.Students.Add(student);
        return student.Id;
    }
}
