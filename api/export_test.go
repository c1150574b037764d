package api

import "github.com/gin-gonic/gin"

// Routes are the calls that the router knows.
func Routes() gin.RoutesInfo { return engine(Config{}).Routes() }
