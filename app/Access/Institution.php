<?php

declare(strict_types=1);

namespace App\Access;

use Firebase\JWT\JWK;
use Firebase\JWT\JWT;
use Firebase\JWT\Key;
use GuzzleHttp\Client;
use GuzzleHttp\Promise\Create;
use GuzzleHttp\Promise\PromiseInterface;
use Illuminate\Http\Client\Factory as Http;
use Illuminate\Http\Client\PendingRequest;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Str;
use League\OAuth2\Client\Provider\GenericProvider;
use Psr\Http\Message\RequestInterface;
use Throwable;

/**
 * Sign-in at an institution by OpenID Connect Core 1.0: authorization code with PKCE (RFC 7636), a state and a nonce that
 * are taken once, and an ID token whose signature, issuer, audience, nonce and times are right.
 */
final readonly class Institution
{
    private const KNOWN_SECONDS = 3600;

    /** What is on its way is forgotten after so long. */
    private const WAY_SECONDS = 600;

    /** By how much clocks may differ, in seconds. */
    private const LEEWAY = 30;

    private const ALGORITHMS = ['RS256', 'RS384', 'RS512', 'ES256', 'ES384', 'PS256'];

    private const WAY = 'on the way to the institution';

    /** @param  array{issuer: string, client: string, secret: string, name: string}  $settings */
    public function __construct(private array $settings, private Http $http)
    {
    }

    /** @param  array<array-key, mixed>  $settings  as they are configured */
    public static function of(array $settings, Http $http): self
    {
        $text = fn (string $key): string => is_string($settings[$key] ?? null) ? $settings[$key] : '';

        return new self(
            ['issuer' => $text('issuer'), 'client' => $text('client'), 'secret' => $text('secret'), 'name' => $text('name')],
            $http,
        );
    }

    public static function isThere(): bool
    {
        return config('heron.institution.issuer') !== null;
    }

    public static function name(): string
    {
        return (string) config('heron.institution.name');
    }

    /**
     * @return string where the person goes
     *
     * @throws InstitutionFailed
     */
    public function begin(Request $request): string
    {
        $client = $this->client();
        $nonce = Str::random(40);
        $to = $client->getAuthorizationUrl(['scope' => 'openid email profile', 'nonce' => $nonce]);
        $request->session()->put(self::WAY, [
            'state' => $client->getState(),
            'nonce' => $nonce,
            'verifier' => $client->getPkceCode(),
            'at' => now()->getTimestamp(),
        ]);

        return $to;
    }

    /**
     * Who came back.
     *
     * @throws InstitutionFailed
     */
    public function complete(Request $request): InstitutionPerson
    {
        // taken once, whatever comes of it
        $way = $request->session()->pull(self::WAY);
        if (! is_array($way) || now()->getTimestamp() - (int) $way['at'] > self::WAY_SECONDS) {
            throw new InstitutionFailed('That took too long, or was used already. Begin again.');
        }
        $code = $this->code($request, (string) $way['state']);

        return $this->person($this->token($code, (string) $way['verifier']), (string) $way['nonce']);
    }

    private function code(Request $request, string $expected): string
    {
        $state = $request->query('state');
        if (! is_string($state) || ! hash_equals($expected, $state)) {
            throw new InstitutionFailed('That answer belongs to another sign-in. Begin again.');
        }
        if (! is_string($code = $request->query('code')) || $code === '') {
            throw new InstitutionFailed("{$this->settings['name']} did not let you in.");
        }

        return $code;
    }

    /** @throws InstitutionFailed */
    private function token(string $code, string $verifier): string
    {
        $client = $this->client();
        $client->setPkceCode($verifier);
        try {
            $token = $client->getAccessToken('authorization_code', ['code' => $code])->getValues()['id_token'] ?? null;
        } catch (Throwable $failed) {
            throw new InstitutionFailed("{$this->settings['name']} did not confirm who you are. Begin again.", $failed);
        }
        if (! is_string($token)) {
            throw new InstitutionFailed("{$this->settings['name']} did not say who you are.");
        }

        return $token;
    }

    /** @throws InstitutionFailed */
    private function person(string $token, string $nonce): InstitutionPerson
    {
        $claims = (array) $this->read($token);
        $audience = (array) ($claims['aud'] ?? []);
        $problem = match (true) {
            ($claims['iss'] ?? null) !== $this->settings['issuer'] => 'it is from another issuer',
            ! in_array($this->settings['client'], $audience, true) => 'it is for somebody else',
            count($audience) > 1 && ($claims['azp'] ?? null) !== $this->settings['client'] => 'it was made for somebody else',
            ! is_int($claims['exp'] ?? null) => 'it has no end',
            ! is_string($claims['nonce'] ?? null) || ! hash_equals($nonce, $claims['nonce']) => 'it is of another sign-in',
            ! is_string($claims['sub'] ?? null) || $claims['sub'] === '' => 'it names nobody',
            default => null,
        };
        if ($problem !== null) {
            throw new InstitutionFailed("What {$this->settings['name']} sent is not right: {$problem}.");
        }
        $text = fn (string $key): string => is_string($claims[$key] ?? null) ? mb_substr(mb_scrub($claims[$key]), 0, 255) : '';

        return new InstitutionPerson(
            $this->settings['issuer'],
            (string) $claims['sub'],
            $text('name'),
            mb_strtolower($text('email')),
            ($claims['email_verified'] ?? false) === true,
        );
    }

    /** @throws InstitutionFailed */
    private function read(string $token): \stdClass
    {
        JWT::$leeway = self::LEEWAY;
        JWT::$timestamp = now()->getTimestamp();
        try {
            try {
                return JWT::decode($token, $this->keys(false));
            } catch (\UnexpectedValueException $unknown) {
                // keys are changed now and then: those of the day are asked for once
                return $unknown::class === \UnexpectedValueException::class
                    ? JWT::decode($token, $this->keys(true))
                    : throw $unknown;
            }
        } catch (InstitutionFailed $failed) {
            throw $failed;
        } catch (Throwable $wrong) {
            throw new InstitutionFailed("What {$this->settings['name']} sent is not right, or not of now.", $wrong);
        }
    }

    /**
     * @return array<string, Key> by their name; only those that sign with a pair of keys
     *
     * @throws InstitutionFailed
     */
    private function keys(bool $anew): array
    {
        $at = "institution keys {$this->settings['issuer']}";
        if ($anew) {
            Cache::forget($at);
        }
        $set = Cache::remember($at, self::KNOWN_SECONDS, fn (): array => $this->asked((string) $this->document()['jwks_uri']));

        return array_filter(
            JWK::parseKeySet($set, 'RS256'),
            fn (Key $key): bool => in_array($key->getAlgorithm(), self::ALGORITHMS, true),
        );
    }

    /** @throws InstitutionFailed */
    private function client(): GenericProvider
    {
        $document = $this->document();

        return new GenericProvider([
            'clientId' => $this->settings['client'],
            'clientSecret' => $this->settings['secret'],
            'redirectUri' => route('institution.back'),
            'urlAuthorize' => (string) $document['authorization_endpoint'],
            'urlAccessToken' => (string) $document['token_endpoint'],
            'urlResourceOwnerDetails' => '',
            'pkceMethod' => GenericProvider::PKCE_METHOD_S256,
        ], ['httpClient' => new Client(['handler' => $this->sent(...)])]);
    }

    /** What the library asks goes out as all that the application asks. */
    private function sent(RequestInterface $request): PromiseInterface
    {
        return Create::promiseFor(
            $this->patient()
                ->withHeaders($request->getHeaders())
                ->withBody((string) $request->getBody(), $request->getHeaderLine('Content-Type'))
                ->send($request->getMethod(), (string) $request->getUri())
                ->toPsrResponse(),
        );
    }

    private function patient(): PendingRequest
    {
        return $this->http->timeout(10)->connectTimeout(4)->withOptions(['allow_redirects' => false]);
    }

    /**
     * Where everything of the institution is; OpenID Connect Discovery 1.0.
     *
     * @return array<string, mixed>
     *
     * @throws InstitutionFailed
     */
    private function document(): array
    {
        $issuer = $this->settings['issuer'];
        $document = Cache::remember(
            "institution {$issuer}",
            self::KNOWN_SECONDS,
            fn (): array => $this->asked(rtrim($issuer, '/').'/.well-known/openid-configuration'),
        );
        if (($document['issuer'] ?? null) !== $issuer) {
            Cache::forget("institution {$issuer}");
            throw new InstitutionFailed("{$this->settings['name']} calls itself something else. Tell whoever runs this copy.");
        }

        return $document;
    }

    /**
     * @return array<string, mixed>
     *
     * @throws InstitutionFailed
     */
    private function asked(string $url): array
    {
        try {
            return (array) $this->patient()->get($url)->throw()->json();
        } catch (Throwable $failed) {
            throw new InstitutionFailed("{$this->settings['name']} does not answer. Try again later.", $failed);
        }
    }
}
