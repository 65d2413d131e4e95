/** Where the server answers. */
export const API = '/api/v1'
