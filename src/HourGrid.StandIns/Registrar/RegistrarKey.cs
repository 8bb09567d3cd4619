using System.Security.Cryptography;
using System.Text;

namespace HourGrid.StandIns.Registrar;

/// <summary>Lets in who knows the key that the registrar gave Hour Grid.</summary>
internal sealed class RegistrarKey(IConfiguration configuration) : IEndpointFilter
{
    private const string Scheme = "Bearer ";

    private readonly byte[] key = Encoding.UTF8.GetBytes(
        configuration["RegistrarKey"]
            ?? throw new InvalidOperationException(
                "The setting RegistrarKey is missing: who has it may read records."
            )
    );

    public ValueTask<object?> InvokeAsync(EndpointFilterInvocationContext context, EndpointFilterDelegate next)
    {
        var given = context.HttpContext.Request.Headers.Authorization.ToString();
        var isKnown =
            given.StartsWith(Scheme, StringComparison.Ordinal)
            && CryptographicOperations.FixedTimeEquals(Encoding.UTF8.GetBytes(given[Scheme.Length..]), key);
        return isKnown
            ? next(context)
            : ValueTask.FromResult<object?>(
                TypedResults.Problem(
                    statusCode: StatusCodes.Status401Unauthorized,
                    detail: "The registrar answers who sends its key."
                )
            );
    }
}
