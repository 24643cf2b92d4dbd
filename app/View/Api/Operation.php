<?php

declare(strict_types=1);

namespace App\View\Api;

use App\Access\TokenAbility;
use App\Queries\Api\Schema;

/** What a program can do at an address, as OpenAPI 3.1 describes it. */
final readonly class Operation implements \JsonSerializable
{
    private const REVIEW = ['$ref' => '#/components/parameters/review'];

    private const ONLY_ONCE = ['$ref' => '#/components/parameters/onlyOnce'];

    private const PROBLEM = ['$ref' => '#/components/responses/Problem'];

    /**
     * @param  string  $id  operationId
     * @param  ?TokenAbility  $needs  null where no token is needed
     * @param  list<Parameter>  $parameters  besides the review
     * @param  ?Content  $body  what is sent along
     * @param  ?Content  $answer  null where nothing comes back
     * @param  bool  $hasEtag  by which it may be asked whether anything has changed
     */
    private function __construct(
        private string $id,
        public string $summary,
        private ?TokenAbility $needs,
        private array $parameters,
        private ?Content $body,
        private string $status,
        private ?Content $answer,
        private bool $hasEtag = false,
    ) {
    }

    /** What is the same until something changes: with an ETag. */
    public static function read(string $id, string $summary, Schema $answer, Parameter ...$parameters): self
    {
        $content = new Content('As it is now, with an ETag', 'application/json', $answer);

        return new self($id, $summary, TokenAbility::Read, array_values($parameters), null, '200', $content, true);
    }

    public static function description(string $summary): self
    {
        $content = new Content('OpenAPI 3.1', 'application/json', Schema::of('object'));

        return new self('description', $summary, null, [], null, '200', $content);
    }

    public static function file(string $summary, Parameter $which): self
    {
        $content = new Content('The file', 'application/pdf', Schema::text());

        return new self('file', $summary, TokenAbility::Read, [$which], null, '200', $content);
    }

    /** What changes something; sent twice with one key it is carried out once. */
    public static function change(
        string $id,
        string $summary,
        TokenAbility $needs,
        ?Content $body,
        ?Schema $answer,
        string $status,
        Parameter ...$parameters,
    ): self {
        $content = $answer === null ? null : new Content('Kept', 'application/json', $answer);

        return new self($id, $summary, $needs, array_values($parameters), $body, $status, $content);
    }

    public function needs(): string
    {
        return $this->needs === null ? 'nothing' : $this->needs->value;
    }

    public function jsonSerialize(): object
    {
        return (object) [
            'operationId' => $this->id,
            'summary' => $this->summary,
            'x-needs' => $this->needs(),
            ...($this->needs === null ? ['security' => []] : ['parameters' => $this->allParameters()]),
            ...($this->body === null ? [] : ['requestBody' => $this->body->asked()]),
            'responses' => $this->responses(),
        ];
    }

    /** @return list<Parameter|array<string, string>> */
    private function allParameters(): array
    {
        return [self::REVIEW, ...$this->parameters, ...($this->changes() ? [self::ONLY_ONCE] : [])];
    }

    private function responses(): object
    {
        return (object) array_filter([
            $this->status => $this->answer ?? ['description' => 'Done'],
            '304' => $this->hasEtag ? ['description' => 'As it was when it had the ETag of If-None-Match'] : null,
            'default' => $this->needs === null ? null : self::PROBLEM,
        ]);
    }

    private function changes(): bool
    {
        return $this->needs !== null && $this->needs !== TokenAbility::Read;
    }
}
