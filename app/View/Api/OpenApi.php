<?php

declare(strict_types=1);

namespace App\View\Api;

use App\Access\TokenAbility;
use App\Queries\Api\Field;
use App\Queries\Api\Listing;
use App\Queries\Api\Listings;

/** The programming interface as OpenAPI 3.1 describes it, from the same fields that give things out. */
final class OpenApi
{
    private const NEEDS = [
        'deliver' => TokenAbility::Deliver,
        'decide' => TokenAbility::Decide,
        'take-back' => TokenAbility::Decide,
        'answer' => TokenAbility::Code,
    ];

    private const REVIEW = ['name' => 'review', 'in' => 'path', 'required' => true, 'schema' => ['type' => 'string']];

    /** @return array<string, mixed> */
    public static function description(): array
    {
        return [
            'openapi' => '3.1.0',
            'info' => [
                'title' => 'Wary Heron',
                'version' => '1',
                'license' => ['name' => 'AGPL-3.0-or-later', 'identifier' => 'AGPL-3.0-or-later'],
                'description' => 'Everything of a review that a person may read, and delivering, deciding and coding in their name. '.
                    'What blinding hides from the person is hidden from their programs.',
            ],
            'servers' => [['url' => rtrim(url('/api/v1'), '/')]],
            'security' => [['token' => []]],
            'paths' => [...self::whole(), ...self::lists(), ...self::together(), ...self::work()],
            'components' => [
                'securitySchemes' => ['token' => [
                    'type' => 'http',
                    'scheme' => 'bearer',
                    'description' => 'A token of one person, for one review, with abilities and an end.',
                ]],
                'schemas' => [
                    ...array_combine(
                        array_map(self::schemaName(...), array_keys(Listings::all())),
                        array_map(fn (Listing $one): array => $one->schema(), array_values(Listings::all())),
                    ),
                    'Problem' => self::problem(),
                ],
                'parameters' => ['review' => self::REVIEW, 'onlyOnce' => [
                    'name' => 'Idempotency-Key',
                    'in' => 'header',
                    'schema' => ['type' => 'string', 'maxLength' => 200],
                    'description' => 'The same key with the same request is carried out once; its answer comes again for a day.',
                ]],
                'responses' => ['Problem' => [
                    'description' => 'It could not be done; “detail” says why, as RFC 9457 has it.',
                    'content' => [
                        'application/problem+json' => ['schema' => ['$ref' => '#/components/schemas/Problem']],
                    ],
                ]],
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function whole(): array
    {
        $object = ['type' => 'object'];

        return [
            '/openapi.json' => ['get' => [
                'operationId' => 'description',
                'summary' => 'This description',
                'x-needs' => 'nothing',
                'security' => [],
                'responses' => ['200' => self::json('OpenAPI 3.1', $object)],
            ]],
            '/reviews/{review}' => [
                'get' => self::read('review', 'The review, its stages and what stands at each', $object),
            ],
            '/reviews/{review}/numbers' => [
                'get' => self::read('numbers', 'Every number of the flow and the report, as it is now', $object),
            ],
            '/reviews/{review}/report' => [
                'get' => self::read('report', 'The report as it is written, as ProseMirror’s JSON', $object),
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function lists(): array
    {
        $paths = [];
        foreach (Listings::all() as $name => $listing) {
            $schema = ['$ref' => '#/components/schemas/'.self::schemaName($name)];
            $paths["/reviews/{review}/{$name}"]['get'] = self::read("list-{$name}", $listing->about, [
                'type' => 'object',
                'required' => ['data', 'next'],
                'properties' => [
                    'data' => ['type' => 'array', 'items' => $schema],
                    'next' => ['type' => ['string', 'null'], 'description' => 'the address of the next page'],
                ],
            ], self::filters($listing));
            $paths["/reviews/{review}/{$name}/{id}"]['get'] = self::read("one-of-{$name}", "One of: {$listing->about}", $schema, [
                self::given('id', 'path', true),
            ]);
        }

        return $paths;
    }

    /** @return array<string, mixed> */
    private static function together(): array
    {
        $texts = ['type' => 'array', 'items' => ['type' => 'string']];
        $id = fn (string $name): array => self::given($name, 'path', true);
        $of = fn (array $names): array => ['type' => 'array', 'items' => [
            'type' => 'object',
            'required' => [...$names, 'studies'],
            'properties' => [...array_fill_keys($names, ['type' => 'string']), 'studies' => ['type' => 'integer']],
        ]];

        return [
            '/reviews/{review}/tables/{table}/rows' => ['get' => self::read('table', 'A saved table, run on what there is now', [
                'type' => 'object',
                'required' => ['title', 'head', 'rows'],
                'properties' => [
                    'title' => ['type' => 'string'],
                    'head' => $texts,
                    'rows' => ['type' => 'array', 'items' => [
                        'type' => 'array',
                        'items' => ['type' => ['string', 'number', 'null']],
                    ]],
                ],
            ], [$id('table')])],
            '/reviews/{review}/map' => ['get' => self::read('map', 'Studies counted by the answers to one or two items', [
                'type' => 'object',
                'required' => ['studies', 'rows', 'columns', 'cells'],
                'properties' => [
                    'studies' => ['type' => 'integer'],
                    'rows' => $of(['name']),
                    'columns' => $of(['name']),
                    'cells' => $of(['row', 'column']),
                ],
            ], [self::given('rows', 'query', true), self::given('columns', 'query', false)])],
            '/reviews/{review}/full-texts/{fullText}/file' => ['get' => [
                'operationId' => 'file',
                'summary' => 'The file of a copy; that it was taken is written down',
                'x-needs' => TokenAbility::Read->value,
                'parameters' => [['$ref' => '#/components/parameters/review'], $id('fullText')],
                'responses' => [
                    '200' => [
                        'description' => 'The file',
                        'content' => ['application/pdf' => ['schema' => ['type' => 'string']]],
                    ],
                    'default' => ['$ref' => '#/components/responses/Problem'],
                ],
            ]],
        ];
    }

    /** @return array<string, mixed> */
    private static function given(string $name, string $in, bool $isNeeded): array
    {
        return ['name' => $name, 'in' => $in, 'required' => $isNeeded, 'schema' => ['type' => 'string']];
    }

    /** @return list<array<string, mixed>> */
    private static function filters(Listing $listing): array
    {
        $filters = [
            'limit' => [
                'type' => 'integer',
                'minimum' => 1,
                'maximum' => Listing::MOST,
                'default' => 100,
                'description' => 'how many at once',
            ],
            'after' => ['type' => 'string', 'description' => 'goes on after this id; “next” of a page has it'],
            ...array_map(fn (array $one): array => $one[0]->schema(), $listing->filters),
        ];

        return array_map(
            fn (string $name, array $schema): array => ['name' => $name, 'in' => 'query', 'schema' => $schema],
            array_keys($filters),
            $filters,
        );
    }

    /** @return array<string, mixed> */
    private static function work(): array
    {
        $id = fn (string $name): array => self::given($name, 'path', true);
        $decision = ['type' => 'object', 'required' => ['decision', 'item'], 'properties' => [
            'decision' => ['$ref' => '#/components/schemas/Decisions'],
            'item' => ['$ref' => '#/components/schemas/Items'],
        ]];
        $paths = [
            '/reviews/{review}/items/{item}/decision' => [
                'post' => self::write(
                    'decide',
                    'Decides on an item, as its person',
                    'application/json',
                    self::verdict(),
                    [$id('item')],
                    $decision,
                ),
                'delete' => self::write(
                    'take-back',
                    'Takes back one’s decision while the item has not opened',
                    '',
                    [],
                    [$id('item')],
                    null,
                    '204',
                ),
            ],
            '/reviews/{review}/publications/{publication}/answers/{code}' => [
                'put' => self::write('answer', 'Answers an item of the codebook for a study', 'application/json', self::answer(), [
                    $id('publication'),
                    $id('code'),
                ], ['$ref' => '#/components/schemas/Answers']),
            ],
        ];
        $paths['/reviews/{review}/deliveries'] = [
            ...self::lists()['/reviews/{review}/deliveries'],
            'post' => self::write(
                'deliver',
                'Delivers a file of references; it is read in the background',
                'multipart/form-data',
                self::file(),
                [],
                ['$ref' => '#/components/schemas/Deliveries'],
                '202',
            ),
        ];

        return $paths;
    }

    /** @return array<string, mixed> */
    private static function verdict(): array
    {
        return ['type' => 'object', 'required' => ['verdict'], 'properties' => [
            'verdict' => Field::choice(['include', 'exclude', 'unsure'], 'what is decided')->schema(),
            'criterion' => Field::text('id of the criterion that fails, of an exclusion')->schema(),
            'answers' => [
                'type' => 'object',
                'additionalProperties' => ['enum' => ['yes', 'no', 'unclear']],
                'description' => 'by criterion',
            ],
            'note' => Field::text('of one’s own')->schema(),
            'seen' => Field::text('id of the decision of mine that was shown, empty for none: another one is then a conflict')->schema(),
        ]];
    }

    /** @return array<string, mixed> */
    private static function answer(): array
    {
        return ['type' => 'object', 'properties' => [
            'value' => ['description' => 'of the type of the item'],
            'kind' => Field::text('a value where it is left out; else not reported, or does not apply')->schema(),
            'note' => Field::text('of one’s own')->schema(),
            'evidence' => [
                'type' => 'array',
                'items' => ['type' => 'object'],
                'description' => 'quote, page and place of each piece',
            ],
            'seen' => Field::text('id of the answer that was shown, empty for none')->schema(),
            'part' => Field::text('id of the arm or site')->schema(),
        ]];
    }

    /** @return array<string, mixed> */
    private static function file(): array
    {
        return ['type' => 'object', 'required' => ['file', 'source_name', 'searched_on'], 'properties' => [
            'file' => [
                'type' => 'string',
                'contentMediaType' => 'application/octet-stream',
                'description' => 'RIS, NBIB, BibTeX, CSL-JSON, MODS, CSV or XLSX',
            ],
            'source_name' => Field::text('where the records are from')->schema(),
            'source_kind' => Field::text('database where it is left out')->schema(),
            'searched_on' => Field::day('when the search was made')->schema(),
            'platform' => Field::text('by which it was searched')->schema(),
            'notes' => Field::text('of one’s own')->schema(),
        ]];
    }

    /** @return array<string, mixed> */
    private static function problem(): array
    {
        return ['type' => 'object', 'required' => ['type', 'title', 'status', 'detail'], 'properties' => [
            'type' => ['type' => 'string'],
            'title' => ['type' => 'string'],
            'status' => ['type' => 'integer'],
            'detail' => ['type' => 'string'],
            'instance' => ['type' => 'string'],
            'errors' => ['type' => 'object', 'description' => 'what is wrong, by field'],
        ]];
    }

    /**
     * @param  array<string, mixed>  $schema
     * @param  list<array<string, mixed>>  $parameters
     * @return array<string, mixed>
     */
    private static function read(string $id, string $summary, array $schema, array $parameters = []): array
    {
        return [
            'operationId' => $id,
            'summary' => $summary,
            'x-needs' => TokenAbility::Read->value,
            'parameters' => [['$ref' => '#/components/parameters/review'], ...$parameters],
            'responses' => [
                '200' => self::json('As it is now, with an ETag', $schema),
                '304' => ['description' => 'As it was when it had the ETag of If-None-Match'],
                'default' => ['$ref' => '#/components/responses/Problem'],
            ],
        ];
    }

    /**
     * @param  array<string, mixed>  $body
     * @param  list<array<string, mixed>>  $parameters
     * @param  ?array<string, mixed>  $answer
     * @return array<string, mixed>
     */
    private static function write(
        string $id,
        string $summary,
        string $type,
        array $body,
        array $parameters,
        ?array $answer,
        string $status = '200',
    ): array {
        return [
            'operationId' => $id,
            'summary' => $summary,
            'x-needs' => self::NEEDS[$id]->value,
            'parameters' => [
                ['$ref' => '#/components/parameters/review'],
                ...$parameters,
                ['$ref' => '#/components/parameters/onlyOnce'],
            ],
            ...($body === [] ? [] : [
                'requestBody' => ['required' => true, 'content' => [$type => ['schema' => $body]]],
            ]),
            'responses' => [
                $status => $answer === null ? ['description' => 'Done'] : self::json('Kept', $answer),
                'default' => ['$ref' => '#/components/responses/Problem'],
            ],
        ];
    }

    /**
     * @param  array<string, mixed>  $schema
     * @return array<string, mixed>
     */
    private static function json(string $about, array $schema): array
    {
        return ['description' => $about, 'content' => ['application/json' => ['schema' => $schema]]];
    }

    private static function schemaName(string $list): string
    {
        return str_replace(' ', '', ucwords(strtr($list, '-', ' ')));
    }
}
