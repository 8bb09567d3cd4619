using System.Security.Claims;
using HourGrid.Server.Students;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.IdentityModel.Protocols.OpenIdConnect;

namespace HourGrid.Server.SignIn;

/// <summary>Sign-in at the campus by OpenID Connect, where the configuration says where that is.</summary>
internal static partial class SignInSetup
{
    /// <summary>The name of the scheme.</summary>
    public const string Campus = "campus";

    /// <summary>When somebody signed in, kept in the cookie.</summary>
    public const string Began = "began";

    /// <summary>How long a sign-in lasts after the last request.</summary>
    public static readonly TimeSpan AfterLastRequest = TimeSpan.FromHours(8);

    /// <summary>How long it lasts at most.</summary>
    public static readonly TimeSpan AtMost = TimeSpan.FromHours(12);

    public static void AddSignIn(this IServiceCollection services, IConfiguration configuration)
    {
        services.AddScoped<Adoption>();
        services.AddScoped<PersonSignIn>();
        services.AddSingleton<SignInState>();
        if (configuration["SignIn:Authority"] is not { Length: > 0 } authority)
            return;
        services
            .AddAuthentication()
            .AddOpenIdConnect(
                Campus,
                oidc =>
                {
                    oidc.Authority = authority;
                    oidc.RequireHttpsMetadata = authority.StartsWith("https:", StringComparison.OrdinalIgnoreCase);
                    oidc.ClientId = configuration["SignIn:ClientId"];
                    oidc.ClientSecret = configuration["SignIn:ClientSecret"];
                    oidc.ResponseType = OpenIdConnectResponseType.Code;
                    oidc.ResponseMode = OpenIdConnectResponseMode.Query;
                    oidc.UsePkce = true;
                    oidc.MapInboundClaims = false;
                    // What the campus gives is read once; the browser holds our cookie and no token.
                    oidc.SaveTokens = false;
                    oidc.Scope.Clear();
                    oidc.Scope.Add("openid");
                    oidc.Scope.Add("profile");
                    oidc.Scope.Add("email");
                    // The campus sends the browser back by a link, so that cookies of our own site alone are needed.
                    oidc.CorrelationCookie.SameSite = SameSiteMode.Lax;
                    oidc.CorrelationCookie.SecurePolicy = CookieSecurePolicy.SameAsRequest;
                    oidc.NonceCookie.SameSite = SameSiteMode.Lax;
                    oidc.NonceCookie.SecurePolicy = CookieSecurePolicy.SameAsRequest;
                    oidc.SignInScheme = CookieAuthenticationDefaults.AuthenticationScheme;
                    oidc.Events.OnTokenValidated = context =>
                        context.HttpContext.RequestServices.GetRequiredService<PersonSignIn>().TakeAsync(context);
                    oidc.Events.OnRemoteFailure = context =>
                    {
                        // Turned back, or an old page of the sign-in: nobody is signed in, and all else is as it was.
                        LogNotSignedIn(
                            context.HttpContext.RequestServices.GetRequiredService<ILogger<SignInState>>(),
                            context.Failure
                        );
                        context.Response.Redirect("/?sign-in=failed");
                        context.HandleResponse();
                        return Task.CompletedTask;
                    };
                    oidc.Events.OnRedirectToIdentityProviderForSignOut = SignInEndpoints.GiveAddressAsync;
                }
            );
    }

    [LoggerMessage(Level = LogLevel.Warning, Message = "Somebody could not be signed in.")]
    private static partial void LogNotSignedIn(ILogger log, Exception? why);

    /// <summary>Whether a sign-in still lasts; what no person signed in for has no end of this kind.</summary>
    public static bool Lasts(CookieValidatePrincipalContext context, DateTimeOffset now)
    {
        if (context.Principal?.FindFirst(PersonClaims.Number) is null)
            return true;
        if (
            !context.Properties.Items.TryGetValue(Began, out var text)
            || !DateTimeOffset.TryParse(text, System.Globalization.CultureInfo.InvariantCulture, out var began)
            || now - began > AtMost
        )
            return false;
        // So that it counts from the last request, and not from one of the first half of the time.
        context.ShouldRenew = context.Properties.IssuedUtc is { } issued && now - issued > TimeSpan.FromMinutes(1);
        return true;
    }
}

/// <summary>Whether there is a campus to sign in at.</summary>
internal sealed class SignInState(IAuthenticationSchemeProvider schemes)
{
    public async Task<bool> IsOfferedAsync() => await schemes.GetSchemeAsync(SignInSetup.Campus) is not null;
}

/// <summary>What our cookie says of a person.</summary>
internal static class PersonClaims
{
    public const string Number = "number";
    public const string Name = "name";
    public const string Role = "role";

    /// <summary>The campus's number of who is signed in; null where nobody is.</summary>
    public static string? NumberOf(ClaimsPrincipal user) => user.FindFirstValue(Number);

    public static ClaimsPrincipal PrincipalOf(Guid student, string number, string name, string role)
    {
        var principal = CurrentStudent.PrincipalOf(student);
        ((ClaimsIdentity)principal.Identity!).AddClaims([new(Number, number), new(Name, name), new(Role, role)]);
        return principal;
    }
}
